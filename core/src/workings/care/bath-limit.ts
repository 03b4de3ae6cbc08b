import { BATHS, MATERIALS, planRun, type Bath, type Material } from '../../cleaning/index.ts';
import { choice, fact, maybe, rows, table, text, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { caution, HOUSE } from './shared.ts';

export default working({
  id: 'bath-limit',
  title: 'How long in which bath',
  subject: 'Cleaning and oil',
  stages: ['clean'],
  version: 1,
  caution,
  asks: 'How long may these parts stay in this bath, and what must stay out?',
  alias: 'material limit ammonia solvent forbidden',
  inputs: z.object({
    bath: choice('Bath', BATHS as readonly [Bath, ...Bath[]]),
    parts: rows(
      'Basket',
      { name: text('Part', 60), material: choice('Of', MATERIALS as readonly [Material, ...Material[]]) },
      1,
      60,
    ),
  }),
  example: {
    bath: 'ammoniated water',
    parts: [
      { name: 'plates', material: 'bare brass' },
      { name: 'hands', material: 'blued or polished steel' },
    ],
  },
  result: z.object({
    limitMin: maybe('At most', 'min', 0),
    limitedBy: words('Because of'),
    allowed: fact('The basket may go in'),
    forbidden: table('Must come out', { part: words('Part'), material: words('Of'), reason: words('Why') }),
  }),
  compute(i) {
    const plan = planRun(
      i.parts.map((p) => ({ name: p.name, materials: [p.material] })),
      i.bath,
    );
    return {
      limitMin: plan.limitMin,
      limitedBy: plan.limitedBy ? `${plan.limitedBy.part} (${plan.limitedBy.material})` : 'nothing',
      allowed: plan.forbidden.length === 0,
      forbidden: plan.forbidden,
    };
  },
  says: (r) => {
    if (r.allowed) {
      return r.limitMin === null
        ? 'No part sets a limit. Look every five minutes all the same.'
        : `${r.limitMin} min at most, for the ${r.limitedBy}. Look every five.`;
    }
    return `Take out ${r.forbidden.map((f) => f.part || f.material).join(', ')}: ${r.forbidden[0]!.reason}.`;
  },
  formula: 'the strictest material decides',
  sources: [HOUSE],
  checks: [
    {
      kind: 'practice',
      source: 'Bare brass in ammoniated water: 15 min',
      given: { bath: 'ammoniated water', parts: [{ name: 'plates', material: 'bare brass' }] },
      finds: { limitMin: [15, 0], allowed: true },
    },
    {
      kind: 'practice',
      source: 'Lacquer is clouded by ammonia',
      given: { bath: 'ammoniated water', parts: [{ name: 'plate', material: 'lacquered brass' }] },
      finds: { allowed: false, 'forbidden.0.part': 'plate' },
    },
  ],
});
