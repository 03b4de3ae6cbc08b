import { BigAction } from '../../ui/BigAction.tsx';
import { type Bush, useBushFit } from './useBushFit.ts';
import type { SurveyedHole } from '@eclat/contract';
import { byCount } from '@eclat/core/units';
import { useEffect, useRef, useState } from 'react';
import { TriedAfter } from './TriedAfter.tsx';
import { Button } from '../../ui/Button.tsx';
import { Chip } from '../../ui/Chip.tsx';
import { onceItStands } from '../../ui/finger.ts';
import { useFew } from '../../ui/Few.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';

const MOST_SHOWN = 4;
/** How many stand beside the one in hand. */
const AT_ONCE = 6;

/**
 * One hole in hand, the others a press away: the bush that suits it from the stores, the smallest that swallows the
 * wear, with its reamer and its true centre; others that suit too beside it.
 */
export function BushSheet({ wanted, name }: { wanted: SurveyedHole[]; name: (key: string) => string }) {
  const [plate, setPlate] = useState('2');
  const [chosen, setChosen] = useState<string | null>(null);
  const now = wanted.find((h) => h.key === chosen) ?? wanted[0];
  const [first] = useState(now?.key);
  const [others, rest] = useFew(
    wanted.filter((h) => h !== now),
    AT_ONCE,
    'others',
  );
  return (
    <div className="flex flex-col gap-2">
      <div className="order-last w-56 md:order-none">
        <LengthField
          name="plate"
          label="Thickness of the plates"
          value={plate}
          onChange={setPlate}
          plausible={[0.5, 6]}
        />
      </div>
      <ul className="divide-y divide-line">
        {now && (
          <One
            key={now.key}
            hole={now}
            plateMm={lengthMm(plate, [0.5, 6])}
            name={name(now.key)}
            takesFocus={now.key !== first}
          />
        )}
      </ul>
      {wanted.length > 1 && (
        <div role="group" aria-label="The others" className="flex flex-wrap items-center gap-2">
          <span className="text-soft">Then</span>
          {others.map((h) => (
            <Button key={h.key} onClick={() => setChosen(h.key)}>
              {name(h.key)}
            </Button>
          ))}
          {rest}
        </div>
      )}
    </div>
  );
}

interface OneProps {
  hole: SurveyedHole;
  plateMm: number | null;
  name: string;
  /** Another one was in hand before: the caliper goes on here. */
  takesFocus: boolean;
}

function One({ hole, plateMm, name, takesFocus }: OneProps) {
  const fit = useBushFit(hole, name, plateMm);
  const box = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (!takesFocus) return;
    onceItStands(() => {
      const field = box.current?.querySelector('input');
      field?.focus();
      field?.select(); // a figure takes the place of one that stands there
    });
  }, [takesFocus]);
  const { add, choice, send, tries } = fit;
  return (
    <li
      ref={box}
      className="grid grid-cols-1 items-start gap-x-4 gap-y-2 py-2 lg:grid-cols-[15rem_11rem_minmax(0,1fr)_auto]"
    >
      <div>
        <p className="text-lg font-bold">{name}</p>
        {hole.holeLongMm !== null && hole.holeShortMm !== null ? (
          <p className="text-soft">
            worn to {hole.holeLongMm.toFixed(2)} × {hole.holeShortMm.toFixed(2)} mm
          </p>
        ) : (
          <HoleNow size={fit.size} />
        )}
        {tries > 0 && (
          <p className="font-semibold text-brass">off centre {byCount(tries, 'once', `${tries} times`)}: plugged</p>
        )}
      </div>
      <LengthField
        name="finished"
        label="Finished pivot"
        value={fit.pivot}
        onChange={fit.setPivot}
        // With no bush to send yet it leads to the size of one.
        {...(choice && { onEnter: () => send() })}
      />
      <div aria-live="polite">
        <BushOffered fit={fit} plateMm={plateMm} />
      </div>
      <div className="order-last flex flex-col gap-2 lg:order-none">
        <BigAction>
          <Button variant="main" disabled={!choice} busy={add.isPending} onClick={() => send()}>
            Fitted
          </Button>
        </BigAction>
        <Button variant="plain" disabled={!choice} busy={add.isPending} onClick={() => send(true)}>
          Went off centre
        </Button>
      </div>
      <div className="grid min-w-0 grid-cols-1 gap-3 sm:grid-cols-3 lg:col-span-4">
        <TriedAfter of={fit} />
      </div>
    </li>
  );
}

/** It was judged by feel: its two ways are measured before a bush is chosen. */
function HoleNow({ size }: { size: ReturnType<typeof useBushFit>['size'] }) {
  return (
    <div className="mt-1 grid grid-cols-2 gap-2">
      <LengthField name="holeLong" label="Hole, long way" value={size.long} onChange={size.setLong} />
      <LengthField name="holeShort" label="Short way" value={size.short} onChange={size.setShort} />
    </div>
  );
}

function BushOffered({ fit, plateMm }: { fit: ReturnType<typeof useBushFit>; plateMm: number | null }) {
  const { offered: choice, sizeOf, choices, setPicked, tooBig, pivotMm, own, turned } = fit;
  if (choice && !turned.open)
    return (
      <>
        <p className="text-xl font-bold">
          {sizeOf(choice)}
          {choice.stockId && (
            <span className="text-base font-normal text-soft">
              {' '}
              {choice.shelf}, {choice.onHand} there
            </span>
          )}
        </p>
        <p>
          Ream to {choice.reamToMm.toFixed(3)}, broach the bore to {choice.finishedBoreMm.toFixed(3)}. True centre:{' '}
          {choice.centreBackMm.toFixed(2)} mm back from the middle of the oval, against the wear.
        </p>
        {choices.length > 1 && (
          <div className="mt-1 flex flex-wrap items-center gap-2" role="group" aria-label="Others that suit">
            {choices
              .filter((b) => b !== choice)
              .slice(0, MOST_SHOWN)
              .map((b) => (
                <Chip key={`${b.stockId}${sizeOf(b)}`} onPress={() => setPicked(sizeOf(b))}>
                  {sizeOf(b)}
                </Chip>
              ))}
          </div>
        )}
        <Button variant="plain" className="mt-1" onClick={() => turned.setOpen(true)}>
          Another size, or turned here
        </Button>
      </>
    );
  const why = whyNone(tooBig, fit.size.holeLongMm === null ? null : pivotMm, plateMm, own);
  return (
    <>
      {turned.noneFits && <p className="font-semibold text-danger">{why}</p>}
      {!tooBig && pivotMm !== null && <Turned turned={turned} onEnter={fit.choice ? () => fit.send() : undefined} />}
    </>
  );
}

interface TurnedProps {
  turned: ReturnType<typeof useBushFit>['turned'];
  /** Send it: there is a bush to send. */
  onEnter?: (() => void) | undefined;
}

/** The sizes of a bush that no table has. */
function Turned({ turned, onEnter }: TurnedProps) {
  return (
    <div className="mt-1 flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-2">
        <LengthField name="turnedOutside" label="Its outside" value={turned.outside} onChange={turned.setOutside} />
        <LengthField
          name="turnedHeight"
          label="Its height"
          value={turned.height}
          onChange={turned.setHeight}
          {...(onEnter && { onEnter })}
        />
      </div>
      {turned.tooThin && <p className="font-semibold text-danger">The outside must be more than the bore.</p>}
      {turned.finishedBoreMm !== null && (
        <p>
          Bore {turned.finishedBoreMm.toFixed(3)}; turned here, or bought for this hole. The stores are left as they
          are.
        </p>
      )}
      {!turned.noneFits && (
        <Button variant="plain" className="self-start" onClick={() => turned.setOpen(false)}>
          Take the one that is offered
        </Button>
      )}
    </div>
  );
}

function whyNone(tooBig: boolean, pivotMm: number | null, plateMm: number | null, own: readonly Bush[]) {
  if (tooBig) return 'This pivot is larger than the hole was.';
  if (pivotMm === null || plateMm === null) return 'Measure pivot, hole and plate first.';
  if (own.length > 0) return 'No bush in the stores suits this hole: order or turn one.';
  return 'No plain size suits this hole: turn one.';
}
