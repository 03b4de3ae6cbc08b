import { type DemoClock } from '../clock.ts';

export default {
  owner: 'Hob Carlyon',
  phone: '0555 019 660',
  clock: 'Fusee table clock with alarm and repeat',
  movement: {
    name: 'Fusee movement with balance',
    familyId: 'fusee-balance',
    maker: 'Quillfeather',
    marks: [],
  },
  complaint: 'Stops now and then, whatever the hour.',
  picture: 'bracket',
  daysAgo: 5,
  by: 'ines',
  stage: 'assess',
} satisfies DemoClock;
