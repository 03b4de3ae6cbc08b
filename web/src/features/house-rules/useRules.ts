import { useQuery } from '@tanstack/react-query';
import { call } from '../../data/call.ts';
import { api } from '../../data/doors.ts';
import { keys } from '../../data/queries.ts';

export const useRules = () =>
  useQuery({ queryKey: keys.rules, queryFn: ({ signal }) => call(api.rules.get, { signal }) });
