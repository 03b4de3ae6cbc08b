/** What is done in threads beside: each takes and gives plain data. */
export { printed } from '../../documents/print.ts';
export { reckoned } from '../../workings/reckon.ts';
