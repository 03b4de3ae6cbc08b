import { useQuery } from '@tanstack/react-query';
import { call } from '../api/call.ts';
import { api } from '../api/doors.ts';
import { keys } from '../api/queries.ts';

export const useRules = () =>
  useQuery({ queryKey: keys.rules, queryFn: ({ signal }) => call(api.rules.get, { signal }) });
