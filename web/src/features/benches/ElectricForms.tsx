import { CONTACT_STATES, SUPPRESSORS } from '@eclat/contract/benches';
import { PEAK_V, resistorForPeak, suppressed, usualPeakV } from '@eclat/core/electric';
import type { ReactNode } from 'react';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField, Tick } from '../../ui/Field.tsx';
import { NumberField, numberOf } from './NumberField.tsx';
import { useBenchForm } from './useBenchForm.ts';

/** A form in one row where there is room. */
export const Grid = ({ children, onSend }: { children: ReactNode; onSend: () => void }) => (
  <form
    noValidate
    className="grid grid-cols-1 items-start gap-4 sm:grid-cols-2 lg:grid-cols-4"
    onSubmit={(e) => {
      e.preventDefault();
      onSend();
    }}
  >
    {children}
  </form>
);
const empty = (text: string) => text.trim() === '';

export function CoilForm() {
  const start = { what: '', ohms: '', expected: '', atC: '', open: false };
  const { typed: t, on, busy, send } = useBenchForm('coil', start, 'Electric bench');
  const { open } = t;
  const [ohms, expected, atC] = [numberOf(t.ohms, 1e6), numberOf(t.expected, 1e6), numberOf(t.atC, 120)];
  const ready =
    !empty(t.what) &&
    (open || (ohms !== null && ohms > 0)) &&
    (empty(t.expected) || expected !== null) &&
    (empty(t.atC) || atC !== null);
  return (
    <Grid
      onSend={() => {
        if (ready) send({ kind: 'coil', what: t.what.trim(), ohms: open ? null : ohms, expectedOhms: expected, atC });
      }}
    >
      <TextField
        label="Which coil"
        placeholder="Rewind coil"
        value={t.what}
        onChange={(e) => on('what')(e.target.value)}
      />
      <div>
        <NumberField label="Ohms, one end free" most={1e6} value={open ? '' : t.ohms} onChange={on('ohms')} />
        <Tick label="No reading" checked={open} onChange={(e) => on('open')(e.target.checked)} />
      </div>
      <NumberField
        label="What belongs there"
        most={1e6}
        value={t.expected}
        onChange={on('expected')}
        hint="Ohms; empty: not known"
      />
      <NumberField
        label="Its temperature, °C"
        most={120}
        value={t.atC}
        onChange={on('atC')}
        hint="Copper reads 4 % more for 10 °C"
      />
      <div>
        <Button type="submit" variant="main" disabled={!ready} busy={busy}>
          Save the reading
        </Button>
      </div>
    </Grid>
  );
}

export function ContactForm() {
  const start = {
    what: '',
    state: 'clean' as (typeof CONTACT_STATES)[number],
    dwell: '',
    period: '',
    count: '',
    expected: '',
    note: '',
  };
  const { typed: t, on, busy, send } = useBenchForm('contact', start, 'Electric bench');
  const [dwellMs, periodS, perMinute, expectedPerMinute] = [
    numberOf(t.dwell, 600_000),
    numberOf(t.period, 86_400),
    numberOf(t.count, 1000),
    numberOf(t.expected, 1000),
  ];
  const tooLong = dwellMs !== null && periodS !== null && dwellMs > 1000 * periodS;
  const ready =
    !empty(t.what) &&
    !tooLong &&
    (
      [
        [t.dwell, dwellMs],
        [t.period, periodS],
        [t.count, perMinute],
        [t.expected, expectedPerMinute],
      ] as const
    ).every(([text, n]) => empty(text) || n !== null);
  return (
    <Grid
      onSend={() => {
        if (ready)
          send({
            kind: 'contact',
            what: t.what.trim(),
            state: t.state,
            dwellMs,
            periodS,
            perMinute,
            expectedPerMinute,
            note: t.note.trim(),
          });
      }}
    >
      <TextField
        label="Which contact"
        placeholder="Rewind contact"
        value={t.what}
        onChange={(e) => on('what')(e.target.value)}
      />
      <SelectField label="It is" value={t.state} onChange={(e) => on('state')(e.target.value as typeof t.state)}>
        {CONTACT_STATES.map((s) => (
          <option key={s}>{s}</option>
        ))}
      </SelectField>
      <NumberField
        label="Closed for, ms"
        most={600_000}
        value={t.dwell}
        onChange={on('dwell')}
        hint={tooLong ? <b className="text-danger">Longer than its period.</b> : undefined}
      />
      <NumberField label="Every, seconds" most={86_400} value={t.period} onChange={on('period')} />
      <NumberField label="Windings a minute" most={1000} value={t.count} onChange={on('count')} />
      <NumberField label="What belongs there" most={1000} value={t.expected} onChange={on('expected')} />
      <TextField label="Note" maxLength={200} value={t.note} onChange={(e) => on('note')(e.target.value)} />
      <div className="flex items-end">
        <Button type="submit" variant="main" className="lg:mt-7" disabled={!ready} busy={busy}>
          Save the contact
        </Button>
      </div>
    </Grid>
  );
}

export function SuppressionForm({ volts, ohms }: { volts: number | null; ohms: number | null }) {
  const start = { what: SUPPRESSORS[0] as (typeof SUPPRESSORS)[number], value: '', note: '' };
  const { typed: t, on, busy, send } = useBenchForm('suppression', start, 'Electric bench');
  const offered = volts && ohms ? resistorForPeak(volts, ohms, usualPeakV(volts)) : null;
  const does = offered && volts && ohms ? suppressed(volts, ohms, offered) : null;
  return (
    <>
      {offered && does && (
        <p className="mb-3">
          For {volts} V and {ohms} Ω: <b>{offered} Ω</b> across the coil holds the opening contact to{' '}
          {does.contactPeakV.toFixed(0)} V, and loses {does.steadyLossW.toFixed(2)} W while it is closed.
          {does.contactPeakV > PEAK_V + 0.5 && ` More than ${PEAK_V} V can be felt, and wears the contact.`}
        </p>
      )}
      <Grid onSend={() => send({ kind: 'suppression', ...t, value: t.value.trim(), note: t.note.trim() })}>
        <SelectField
          label="What was fitted"
          value={t.what}
          onChange={(e) => on('what')(e.target.value as typeof t.what)}
        >
          {SUPPRESSORS.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </SelectField>
        <TextField
          label="Value"
          maxLength={80}
          placeholder={offered ? `${offered} Ω` : '2.2 kΩ'}
          value={t.value}
          onChange={(e) => on('value')(e.target.value)}
        />
        <TextField label="Note" maxLength={200} value={t.note} onChange={(e) => on('note')(e.target.value)} />
        <div className="flex items-end">
          <Button type="submit" variant="main" className="lg:mt-7" busy={busy}>
            Save
          </Button>
        </div>
      </Grid>
    </>
  );
}
