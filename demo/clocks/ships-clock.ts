import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Lorcan Wray',
  phone: '0555 011 062',
  clock: 'Ship’s clock with luminous hands',
  movement: {
    name: 'Bulkhead movement with platform',
    familyId: 'lever-platform',
    maker: 'Quillfeather',
    marks: [{ place: 'dial', text: 'Q 2290' }],
    fittings: ['luminous paint'],
  },
  complaint: 'Stopped on a voyage. Hands used to glow.',
  received: [{ what: 'Key' }],
  picture: 'wall',
  daysAgo: 2,
  by: 'wilf',
  stage: 'assess',
  course: {},
} satisfies DemoClock;
