import type { Visit } from '@eclat/contract';
import { api } from '../../data/api.ts';
import { cautionsFor } from '@eclat/core/cautions';
import { byDanger, stripGate, type StripGate } from '@eclat/core/workflow';
import { sentence } from '@eclat/core/units';
import { useState } from 'react';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { BigAction } from '../../ui/BigAction.tsx';
import { Button } from '../../ui/Button.tsx';
import { onToTheNext } from '../../ui/finger.ts';
import { dayTime } from '../../ui/dates.ts';
import { Cautions } from '../visit/Cautions.tsx';
import { GoneHere } from '../visit/GoneHere.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { SourcePanel } from './SourcePanel.tsx';
import { WhyUnderPower } from './UnderPower.tsx';

/** Nobody hurt: the plates stay shut until every source of power is let down or contained. */
export function PowerDownScreen() {
  const visit = useThisVisit();
  const unread = cautionsFor(visit.movement.traits, 'power').filter(
    (c) => c.acknowledge && !visit.cautions.some((x) => x.caution === c.id),
  ).length;
  const gate = stripGate(visit.power, unread);
  // The most dangerous first, as it was when one came: nothing moves away from under a finger.
  const [first] = useState(() => byDanger(visit.power).map((p) => p.source));
  const at = (p: Visit['power'][number]) => (first.includes(p.source) ? first.indexOf(p.source) : first.length);
  const power = [...visit.power].sort((a, b) => at(a) - at(b));
  // Washed or worked on whole: nothing is taken down, so there is no strip to begin.
  const whole = visit.stages.some((s) => s.stage === 'strip' && s.state === 'not in this job');
  return (
    <>
      <PowerAnswer gate={gate} />
      <Cautions stage="power" />
      <div className="grid gap-5 xl:grid-cols-2">
        {power.map((p) => (
          <SourcePanel key={p.source} visit={visit} power={p} />
        ))}
      </div>
      {visit.power.length === 0 && (
        <Panel>
          <p className="text-lg">
            Nothing in this movement stores power. Unplug it, lock it off, and it may be opened.
          </p>
        </Panel>
      )}
      {!visit.strip.begun && !visit.closedAt && !whole && (
        <Begin open={gate.open} unread={unread} unsafe={gate.unsafe.length} />
      )}
      <GoneHere stage="power" />
      <StageFoot stage="power" />
    </>
  );
}

function PowerAnswer({ gate }: { gate: StripGate }) {
  const visit = useThisVisit();
  if (visit.strip.begun)
    return (
      <Answer
        tone={gate.unsafe.length > 0 ? 'danger' : 'good'}
        title={
          gate.unsafe.length > 0
            ? `Apart, with the ${gate.unsafe.join(' and the ')} under power`
            : 'The strip has begun, and it is safe'
        }
      >
        {visit.strip.begun.by}, {dayTime(visit.strip.begun.at)}
        {visit.overrides.map((o) => (
          <span key={o.id} className="block">
            Opened under power ({o.opens}): “{o.reason}” {o.by}, {dayTime(o.at)}
          </span>
        ))}
      </Answer>
    );
  if (gate.open)
    return (
      <Answer tone="good" title="Safe to open">
        All power is let down or contained.
      </Answer>
    );
  return (
    <Answer tone="danger" title="Do not open the plates">
      {sentence(gate.reasons.join('; '))}.
    </Answer>
  );
}

function Begin({ open, unread, unsafe }: { open: boolean; unread: number; unsafe: number }) {
  const visit = useThisVisit();
  const [asking, setAsking] = useState(false);
  const begin = useCommand(api.powerDown.beginStrip, {
    what: 'Begin the strip',
    onDone: () => {
      say('The strip has begun.');
      onToTheNext();
    },
  });
  const send = (overrideReason: string) => begin.mutate({ params: { visitId: visit.id }, body: { overrideReason } });
  const press = (
    <BigAction>
      <Button
        variant="main"
        className="whitespace-nowrap"
        disabled={!open}
        busy={begin.isPending}
        onClick={() => send('')}
      >
        Begin the strip
      </Button>
    </BigAction>
  );
  if (open) return press;
  return (
    <Panel>
      {press}
      <div className="flex flex-wrap items-center gap-3">
        {unread > 0 && <span className="text-soft">Read the cautions above first.</span>}
        {unread === 0 && unsafe > 0 && !asking && (
          <Button variant="plain" onClick={() => setAsking(true)}>
            Open it anyway, with a reason
          </Button>
        )}
      </div>
      {asking && <WhyUnderPower busy={begin.isPending} onReason={send} onClose={() => setAsking(false)} />}
    </Panel>
  );
}
