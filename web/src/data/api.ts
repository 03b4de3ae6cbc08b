import type { api as Api } from '@eclat/contract';
import { addresses } from '@eclat/contract/addresses';

/**
 * The routes as `call` and `useCommand` need them: what is known without the schemas is there when it runs, the rest is
 * in their types.
 */
export const api = addresses as unknown as typeof Api;
