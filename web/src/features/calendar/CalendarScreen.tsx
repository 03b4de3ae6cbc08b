import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CalendarPlus, Unlink } from 'lucide-react';
import { useState } from 'react';
import { call } from '../../data/call.ts';
import { api } from '../../data/api.ts';
import { afterCommand } from '../../data/refresh.ts';
import { fetched } from '../../data/fetched.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { SecretAddress } from '../../ui/SecretAddress.tsx';

/** What is due, in the calendar a person has anyway: an address of their own, that can be ended. */
export function CalendarScreen() {
  const queries = useQueryClient();
  const { data, error } = useQuery(fetched(api.calendar.state));
  const [address, setAddress] = useState('');
  const wrong = (e: Error) => say(e.message, 'danger');
  const make = useMutation({
    mutationFn: () => call(api.calendar.make, {}),
    onSuccess: ({ token }) => {
      setAddress(`${window.location.origin}/api/calendar/${token}.ics`);
      afterCommand(queries, api.calendar.make, {}, null);
    },
    onError: wrong,
    networkMode: 'always',
  });
  const end = useMutation({
    mutationFn: () => call(api.calendar.remove, {}),
    onSuccess: () => {
      setAddress('');
      say('The address no longer works.');
      afterCommand(queries, api.calendar.remove, {}, null);
    },
    onError: wrong,
    networkMode: 'always',
  });
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the calendar address" />;
  return (
    <div className="mx-auto flex max-w-4xl flex-col gap-5 px-4 py-5 md:px-6">
      <h1 className="text-3xl">Calendar</h1>
      <Answer
        tone="info"
        title={
          data.since ? `Your calendar reads along since ${dayTime(data.since)}` : 'What is due, in your own calendar'
        }
      >
        Soaks and other timers, readings of clocks on test, and promised days. Clocks stand there by their claim number
        and description; no owner is named.
      </Answer>
      <Panel title="Your address">
        <p>
          An ordinary calendar program subscribes to it. Whoever has the address can read what is due: end it when a
          phone is lost.
        </p>
        {address && (
          <SecretAddress label="Address of your calendar" address={address}>
            Put this into the calendar program now: it is not shown again.
          </SecretAddress>
        )}
        <div className="mt-4 flex flex-wrap gap-3">
          <Button variant={data.since ? 'quiet' : 'main'} busy={make.isPending} onClick={() => make.mutate()}>
            <CalendarPlus className="size-5" aria-hidden />
            {data.since ? 'A new address; the old one ends' : 'Make an address'}
          </Button>
          {data.since && (
            <Button busy={end.isPending} onClick={() => end.mutate()}>
              <Unlink className="size-5" aria-hidden />
              End it
            </Button>
          )}
        </div>
      </Panel>
    </div>
  );
}
