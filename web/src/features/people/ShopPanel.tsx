import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { say, useAppState } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { useMe } from '../../data/queries.ts';
import type { ShopSettings } from '@eclat/contract';
import { peopleRoutes } from '@eclat/contract/people';
import { useQuery } from '@tanstack/react-query';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { ZoneField } from './ZoneField.tsx';

/** What holds for the whole shop. */
export function ShopPanel() {
  const { data } = useQuery(fetched(api.people.shop));
  const owns = useMe()?.role === 'owner-of-shop';
  const now = useNow(10_000);
  if (!data) return null;
  return (
    <Panel title={data.name}>
      <p className="text-lg">
        {data.timeZone.replaceAll('_', ' ')}: it is <b>{dayTime(now)}</b> there.
      </p>
      {owns && <ZoneForm key={data.version} settings={data} />}
    </Panel>
  );
}

function ZoneForm({ settings: { timeZone, version } }: { settings: ShopSettings }) {
  const form = useContractForm(peopleRoutes.setShop.body, { timeZone, version }, null);
  const set = useCommand(api.people.setShop, {
    what: 'Time zone',
    onDone: (shop) => {
      useAppState.getState().set({ zone: shop.timeZone });
      say('Days are counted there now.');
    },
  });
  return (
    <form
      className="mt-4 flex flex-col gap-4"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => set.mutate({ params: {}, body }))(e)}
    >
      <ZoneField also={timeZone} error={form.formState.errors.timeZone?.message} {...form.register('timeZone')} />
      <Button type="submit" className="self-start" busy={set.isPending}>
        Keep
      </Button>
    </form>
  );
}
