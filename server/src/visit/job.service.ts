import { randomUUID } from 'node:crypto';
import type { ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import type { Job } from '@eclat/core/workflow';
import { Clock } from '../movements/movements.entity.ts';
import { Owner } from '../owners/owners.entity.ts';
import { theShop } from '../people/shop.service.ts';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { openVisit } from './lock.ts';
import { VisitJob, type Visit } from './visit.entity.ts';

/** The shop as the owner of its own clocks: made with the first of them. */
export async function shopAsOwner(ctx: Context): Promise<Owner> {
  const known = await ctx.em.findOne(Owner, { ownStock: true });
  if (known) return known;
  const { name } = await theShop(ctx);
  return ctx.em.create(Owner, { id: randomUUID(), name, phone: '', email: '', address: '', ownStock: true });
}

/** A word on what was agreed: the last one holds. */
export const agree = (
  ctx: Context,
  visit: Pick<Visit, 'id' | 'ownerId'>,
  given: Pick<Job, 'shape' | 'terms' | 'trial'>,
  reason: string,
) => ctx.em.create(VisitJob, { visitId: visit.id, ...given, reason, ownerId: visit.ownerId, ...signature(ctx) });

/** Shape, terms or owner change, with a reason. The clock goes with its owner. */
export async function changeJob(
  ctx: Context,
  visitId: string,
  { whose, reason, shape, terms, trial }: ParsedBodyOf<typeof api.visit.setJob>,
): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  if (whose.is !== 'the same') {
    const owner = await ownerOf(ctx, whose);
    if (owner.id === visit.ownerId) throw badField('whose', 'It is theirs already.');
    visit.ownerId = owner.id;
    const clock = await findOrRefuse(ctx, Clock, { id: visit.clockId }, 'clock');
    clock.ownerId = owner.id;
  }
  agree(ctx, visit, { shape, terms, trial }, reason);
}

function ownerOf(
  ctx: Context,
  whose: Exclude<ParsedBodyOf<typeof api.visit.setJob>['whose'], { is: 'the same' }>,
): Promise<Owner> | Owner {
  switch (whose.is) {
    case 'the shop':
      return shopAsOwner(ctx);
    case 'known':
      return findOrRefuse(ctx, Owner, { id: whose.ownerId }, 'owner');
    case 'new':
      return ctx.em.create(Owner, { id: randomUUID(), ...whose.owner });
  }
}

export const jobRows = (visitId: string) => ({
  jobs: rows(VisitJob, 'where visit_id = ? order by at', visitId),
  jobOwners: rows(Owner, 'where id in (select owner_id from visit_job where visit_id = ?)', visitId),
});

export function viewJob({ jobs, jobOwners }: RowsOf<ReturnType<typeof jobRows>>): Pick<Shape, 'job'> {
  const log = jobs.map(({ shape, terms, trial, reason, ownerId, by, at }) => ({
    ...{ shape, terms, trial: trial ?? null, reason },
    owner: jobOwners.find((o) => o.id === ownerId)?.name ?? '',
    ...viewSigned({ by, at }),
  }));
  const { shape, terms, trial } = log.at(-1)!;
  const ownStock = jobOwners.find((o) => o.id === jobs.at(-1)!.ownerId)?.ownStock ?? false;
  return { job: { shape, terms, trial, ownStock, log } };
}
