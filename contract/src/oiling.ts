import { z } from 'zod';
import { text, id, signed, done } from './common.ts';
import { benchRoles } from './people.ts';
import { command } from './route.ts';

export const oilFields = z.object({
  product: text(80).default(''),
  batch: text(40).default(''),
  /** Out of the stores. */
  stockId: id.nullable().default(null),
  /** Left dry here, though the chart asks for oil. */
  dry: z.boolean().default(false),
  /** Why it differs from the house rule's grade or amount. */
  differs: text(200).default(''),
});

export const oiled = oilFields.extend({ point: z.string(), ...signed });

export const oilingRoutes = {
  setPoint: command({
    method: 'PUT',
    path: '/visits/:visitId/oil/:point',
    summary: 'Tick a point: oiled, or left dry',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'oiling.removePoint',
    visit: { put: 'oiled', by: 'point' },
    body: oilFields,
    reply: oiled,
  }),
  removePoint: command({
    method: 'DELETE',
    path: '/visits/:visitId/oil/:point',
    summary: 'Take the tick back',
    roles: benchRoles,
    changes: ['visit', 'bench'],
    inverse: 'oiling.setPoint',
    visit: { remove: 'oiled', by: 'point', param: 'point' },
    reply: done,
  }),
};
