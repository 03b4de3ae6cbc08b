import type { BenchEntry } from '@eclat/contract';
import { isTorsionTest } from '@eclat/core/benches';
import {
  LAWS,
  rankStrips,
  rateWords,
  sayTorsion,
  setUpOf,
  stripsFor,
  stripWords,
  USUAL_BEATS,
  withFitted,
  type RankedStrip,
  type SetUp,
  type SetUpEntry,
  type StripLaw,
} from '@eclat/core/torsion';
import type { Said } from '@eclat/core/units';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { useStores } from '../../data/queries.ts';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { day } from '../../ui/dates.ts';
import { Fold } from '../../ui/Fold.tsx';
import { Warned } from '../../ui/Warned.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Entries } from './Entries.tsx';
import { Saids } from './Saids.tsx';
import { BeatForm, EscapementForm, HeightsForm, StripForm } from './TorsionForms.tsx';
import { TorsionFigure } from './TorsionFigure.tsx';
import { useBenchForm } from './useBenchForm.ts';

/** Strip, beat, heights and escapement of a torsion pendulum: what was measured, what it says, what to move. */
export function TorsionScreen() {
  const visit = useThisVisit();
  const all = visit.benchTests.filter((e) => isTorsionTest(e.test));
  const own = all.filter((e) => e.of === 'visit');
  const setUp = setUpOf(withFitted(all as (BenchEntry & SetUpEntry)[], visit.parts));
  const of = (kind: string) => own.filter((e) => e.test.kind === kind);
  const ranked = useRanked(setUp);
  const said = sayTorsion(setUp);
  const open = !visit.closedAt;
  return (
    <>
      <TorsionAnswer setUp={setUp} said={said} best={ranked.list[0]} />
      {visit.power.some((p) => p.state === 'wound') && open && (
        <Warned text="Wound: with the pendulum off the train may run. Hold the escape wheel, or let it down first." />
      )}
      <div className="grid grid-cols-1 items-start gap-4 xl:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="flex min-w-0 flex-col gap-4">
          <Fold title="Strip" says={setUp.strip && stripWords(setUp.strip.thicknessMm)} open={!setUp.strip}>
            <Entries entries={of('torsion strip')} what="Strip" />
            {open && <StripForm tried={of('torsion strip').length > 0} />}
          </Fold>
          <Fold title="Beat" says={setUp.observed && rateWords(setUp.observed.rate)} open={setUp.strip !== null}>
            <Entries entries={of('torsion beats')} what="Count" />
            {open && <BeatForm wanted={setUp.observed?.wanted ?? USUAL_BEATS} />}
          </Fold>
          <Fold title="Heights" says={heightsSay(setUp)}>
            <Entries entries={of('torsion heights')} what="Heights" />
            {open && <HeightsForm set={setUp.came !== null} />}
          </Fold>
          <Fold title="Lock, fork and overswing" name="escapement" open={setUp.observed !== null}>
            <Entries entries={of('torsion escapement')} what="Escapement" />
            {open && <EscapementForm />}
          </Fold>
        </div>
        <div className={clsx('flex min-w-0 flex-col gap-4', toTry(setUp, said) && 'max-xl:order-first')}>
          <Stock setUp={setUp} {...ranked} />
          {(said.length > 0 || own.length > 0) && (
            <Panel title="What it says">
              <Saids said={said} />
              <TorsionFigure {...setUp} />
            </Panel>
          )}
        </div>
      </div>
    </>
  );
}

/** A strip is what is next in hand. */
const toTry = ({ strip, observed, known }: SetUp, said: readonly Said[]): boolean =>
  said.some((s) => s.what === 'Beat' && s.good === false) ||
  (!observed && known !== null && (!strip || strip.strip === 'as it came'));

const heightsSay = ({ came, set }: SetUp) => {
  if (set) return 'set';
  return came && 'as it came';
};

function TorsionAnswer({ setUp, said, best }: { setUp: SetUp; said: Said[]; best: RankedStrip | undefined }) {
  const { strip, observed, known } = setUp;
  const wrong = said.find((s) => s.good === false && s.what !== 'Beat');
  const another = said.some((s) => s.what === 'Beat' && s.good === false);
  if (another)
    return (
      <Answer
        tone="due"
        title={best ? `Try ${stripWords(best.thicknessMm)}: it ${rateWords(best.rateSecondsPerDay)}` : 'Another strip'}
      >
        {said[0]!.says}
      </Answer>
    );
  if (wrong) return <Answer tone="due" title={`${wrong.what}: ${wrong.says}`} />;
  if (observed) return <Answer tone="good" title={`It ${rateWords(observed.rate)}: the adjuster takes the rest`} />;
  if (strip && !toTry(setUp, said))
    return (
      <Answer tone="info" title="Time 40 beats or more">
        {!known && strip.strip === 'as it came' && 'Where it does not run: begin with one as strong as this.'}
      </Answer>
    );
  if (known)
    return (
      <Answer tone="info" title={`It beat right on ${stripWords(known.strip.thicknessMm)}`}>
        {known.of === 'type' ? 'Another of its type' : 'This movement'}, {day(known.at)}, {known.by}.
      </Answer>
    );
  return <Answer tone="info" title="Measure the strip that came with it" />;
}

/** What the stores hold, the nearest first; before anything was counted, nearest to what is known to be right. */
function useRanked({ strip, observed, known }: SetUp) {
  const [law, setLaw] = useState<StripLaw>('equal width');
  const { data } = useStores();
  const now = observed ? strip : (known?.strip ?? strip);
  const wanted = observed?.wanted ?? USUAL_BEATS;
  const perMinute = observed?.perMinute ?? wanted;
  const freeMm = now?.freeMm ?? null;
  const list = useMemo(() => {
    const stock = stripsFor(data ?? [], freeMm);
    return now ? rankStrips(now, perMinute, wanted, law, stock).slice(0, 4) : [];
  }, [data, now, perMinute, wanted, law, freeMm]);
  return { list, law, setLaw, from: now };
}

function Stock({ setUp, list, law, setLaw, from }: { setUp: SetUp } & ReturnType<typeof useRanked>) {
  const visit = useThisVisit();
  const { send, busy } = useBenchForm('stock', {}, 'Torsion bench');
  if (!from) return null;
  const assumed = list.some((s) => !s.byWidth);
  return (
    <Panel title="In the stores">
      <p className="mb-1 text-soft">{fromWords(setUp)}</p>
      {list.length === 0 ? (
        <p className="text-soft">No strip near it lies there.</p>
      ) : (
        <ul className="divide-y divide-line">
          {list.map((s) => (
            <li key={s.id} className="flex items-center gap-3 py-2">
              <span className="min-w-0 flex-1">
                <b>{stripWords(s.thicknessMm)}</b>
                <span className="block text-soft">
                  {rateWords(s.rateSecondsPerDay)}
                  {s.widthMm !== null && `, ${s.widthMm} mm wide`}
                </span>
              </span>
              {!visit.closedAt && (
                <Button
                  busy={busy}
                  aria-label={`Try ${stripWords(s.thicknessMm)}`}
                  onClick={() =>
                    send({
                      kind: 'torsion strip',
                      strip: 'tried',
                      ...{ thicknessMm: s.thicknessMm, widthMm: s.widthMm, freeMm: setUp.strip?.freeMm ?? null },
                      alloy: 'not known',
                      note: 'from the stores',
                    })
                  }
                >
                  Try it
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {assumed && (
        <div className="mt-3">
          <Choice
            label="Their widths are not known: calculate with"
            value={law}
            options={LAWS.map((l) => [l, l] as const)}
            onChange={setLaw}
          />
        </div>
      )}
      <p className="mt-3 text-sm text-soft">The one that stays is taken off the shelf at Fit.</p>
    </Panel>
  );
}

/** From what it is reckoned. */
function fromWords({ observed, known }: SetUp): string {
  if (observed) return 'From the beat that was counted.';
  if (known) return `From what was right in ${known.of === 'type' ? 'another of its type' : 'this movement'}.`;
  return 'Not counted yet: as if the strip that came had been right.';
}
