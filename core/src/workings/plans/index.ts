import promiseDate from './promise-date.ts';
import estimate from './estimate.ts';

export const PLANS = [promiseDate, estimate];
