import { causeOf, type ShopKnowledge } from '@eclat/core/faults';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from '../../data/call.ts';
import { api } from '../../data/doors.ts';
import { keys } from '../../data/queries.ts';

export const useCauses = () =>
  useQuery({ queryKey: keys.causes, queryFn: ({ signal }) => call(api.knowing.get, { signal }) });

const NOTHING: ShopKnowledge = { causes: [], experience: {} };

/** What the shop knows beyond the table; nothing while it is asked for, so that the diagnosis never waits for it. */
export function useKnowledge(): ShopKnowledge {
  const { data } = useCauses();
  return useMemo(
    () => (data ? { causes: data.causes.map((c) => causeOf(c)), experience: data.experience } : NOTHING),
    [data],
  );
}
