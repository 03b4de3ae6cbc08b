import { causeOf, type ShopKnowledge } from '@eclat/core/faults';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';

export const useCauses = () => useQuery(fetched(api.diagnosis.knowledge));

const NOTHING: ShopKnowledge = { causes: [], experience: {} };

/** What the shop knows beyond the table; nothing while it is asked for, so that the diagnosis never waits for it. */
export function useKnowledge(): ShopKnowledge {
  const { data } = useCauses();
  return useMemo(
    () => (data ? { causes: data.causes.map((c) => causeOf(c)), experience: data.experience } : NOTHING),
    [data],
  );
}
