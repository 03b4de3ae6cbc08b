import type { api as Api } from '@eclat/contract';
import { doors } from '@eclat/contract/doors';

/** The doors as `call` and `useCommand` need them: method and path are there when it runs, the rest is in their types. */
export const api = doors as unknown as typeof Api;
