/** The places of the shop, in the order in which they are wanted. */
export const PLACES = [
  { to: '/', name: 'Bench', key: 'b' },
  { to: '/intake', name: 'Take in', key: 'n' },
  { to: '/movements', name: 'Movement books', key: 'm' },
  { to: '/stores', name: 'Stores', key: '' },
  { to: '/on-test', name: 'On test', key: '' },
  { to: '/workings', name: 'Workings', key: 'w' },
] as const;
