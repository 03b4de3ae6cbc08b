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
import { SelectField, TextField } from '../../ui/Field.tsx';
import { ZoneField } from './ZoneField.tsx';

type ShopFields = Pick<ShopSettings, 'timeZone' | 'place' | 'webAddress' | 'answers' | 'version'>;

const ANSWERS_SAID: Record<ShopSettings['answers'], string> = {
  nothing: 'For nothing',
  'by entries': 'For shared books',
  'by marks': 'For shared books, also by mark',
};

/** What holds for the whole shop. */
export function ShopPanel() {
  const { data } = useQuery(fetched(api.people.shop));
  const owns = useMe()?.role === 'owner-of-shop';
  const now = useNow(10_000);
  if (!data) return null;
  return (
    <Panel title={data.name}>
      {(data.place || data.webAddress) && (
        <p className="text-lg">{[data.place, data.webAddress].filter(Boolean).join(' · ')}</p>
      )}
      <p className="text-lg">
        {data.timeZone.replaceAll('_', ' ')}: it is <b>{dayTime(now)}</b> there.
      </p>
      {owns && <ShopForm key={data.version} settings={data} />}
    </Panel>
  );
}

function ShopForm({ settings }: { settings: ShopSettings }) {
  const { name: _name, ...fields } = settings;
  const form = useContractForm<ShopFields>(peopleRoutes.setShop.body, fields, null);
  const { errors } = form.formState;
  const set = useCommand(api.people.setShop, {
    what: 'Shop',
    onDone: (shop) => {
      useAppState.getState().set({ zone: shop.timeZone });
      say('Kept.');
    },
  });
  return (
    <form
      className="mt-4 flex flex-col gap-4"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => set.mutate({ params: {}, body }))(e)}
    >
      <TextField
        label="Place"
        hint="Town or village, for the shop card"
        error={errors.place?.message}
        {...form.register('place')}
      />
      <TextField
        label="Web address"
        inputMode="url"
        placeholder="https://clocks.example"
        hint="Where other shops reach this one, if they may"
        error={errors.webAddress?.message}
        {...form.register('webAddress')}
      />
      <SelectField
        label="Other shops may ask"
        hint="Only shops whose key is known here. By mark, they may guess which movements are shared."
        {...form.register('answers')}
      >
        {Object.entries(ANSWERS_SAID).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </SelectField>
      <ZoneField also={settings.timeZone} error={errors.timeZone?.message} {...form.register('timeZone')} />
      <Button type="submit" className="self-start" busy={set.isPending}>
        Save
      </Button>
    </form>
  );
}
