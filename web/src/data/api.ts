import type { api as Api, RefsOf } from '@eclat/contract';
import { addresses } from '@eclat/contract/addresses';

/** The routes without their schemas, in their types: see `RouteRef`. */
export const api: RefsOf<typeof Api> = addresses;
