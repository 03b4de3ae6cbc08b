import type { SurveyedHole } from '@eclat/contract';
import { api } from '../../data/api.ts';
import {
  bushChoices,
  freshClearanceMm,
  STARTING_STOCK,
  turnedDownMm,
  type BushStock,
  type Located,
} from '@eclat/core/pivots';
import { bushesIn } from '@eclat/core/stores';
import { useState } from 'react';
import { useKept } from '../../data/useDraft.ts';
import { useStores } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { lengthMm } from '../../ui/LengthField.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** A bush as it is offered: from the stores where the shop keeps a list, or a plain size. */
export type Bush = BushStock & { stockId: string | null; onHand: number; shelf: string };

const shown = (mm: number | null) => (mm === null ? '' : String(mm));

/** The hole's two ways: as surveyed; one that was only felt is measured now, for its bush. Null while it is not. */
function useHoleSize(hole: SurveyedHole, draft: string) {
  const [long, setLong, dropLong] = useKept(`${draft}.long`, shown(hole.holeLongMm));
  const [short, setShort, dropShort] = useKept(`${draft}.short`, shown(hole.holeShortMm));
  const [longMm, shortMm] = [lengthMm(long), lengthMm(short)];
  const forget = () => (dropLong(), dropShort());
  const fits = longMm !== null && shortMm !== null && longMm >= shortMm;
  return {
    long,
    setLong,
    short,
    setShort,
    holeLongMm: fits ? longMm : null,
    holeShortMm: fits ? shortMm : null,
    forget,
  };
}

/** A shop that keeps no list of its bushes is offered plain sizes; one that does is offered what it has. */
function useBushStock(): { own: readonly Bush[]; stock: readonly Bush[] } {
  const own = bushesIn(useStores().data ?? []);
  const plain = STARTING_STOCK.map((b) => ({ ...b, stockId: null, onHand: 0, shelf: '' }));
  return { own, stock: own.length > 0 ? own : plain };
}

/** A bush that is neither in the stores nor a plain size: turned here, or bought for this hole. */
function useTurned(pivotMm: number | null, noneFits: boolean, draft: string) {
  const [asked, setOpen, dropOpen] = useKept(`${draft}.turned`, false);
  const [outside, setOutside, dropOutside] = useKept(`${draft}.outside`, '');
  const [height, setHeight, dropHeight] = useKept(`${draft}.height`, '');
  const forget = () => (dropOpen(), dropOutside(), dropHeight());
  const [outsideMm, heightMm] = [lengthMm(outside), lengthMm(height)];
  const open = asked || noneFits;
  const finishedBoreMm = pivotMm === null ? null : pivotMm + freshClearanceMm(pivotMm);
  const bush =
    finishedBoreMm === null || outsideMm === null || heightMm === null || outsideMm <= finishedBoreMm
      ? null
      : { finishedBoreMm, outsideMm, heightMm, stockId: null };
  const tooThin = finishedBoreMm !== null && outsideMm !== null && outsideMm <= finishedBoreMm;
  return { open, noneFits, setOpen, outside, setOutside, height, setHeight, finishedBoreMm, tooThin, bush, forget };
}

/** What was tried once it was in. */
function useTried() {
  const [located, setLocated] = useState<Located | ''>('');
  const [shake, setShake] = useState('');
  const [spins, setSpins] = useState('');
  return { located, setLocated, shake, setShake, spins, setSpins };
}

export function useBushFit(hole: SurveyedHole, name: string, plateMm: number | null) {
  const visit = useThisVisit();
  // Another hole may be taken in hand meanwhile: what was measured here stays.
  const draft = `bush.${visit.id}.${hole.key}`;
  const [pivot, setPivot, dropPivot] = useKept(
    `${draft}.pivot`,
    shown(turnedDownMm(visit.partConditions, hole.key) ?? hole.pivotMm),
  );
  const size = useHoleSize(hole, draft);
  const { holeLongMm, holeShortMm } = size;
  const add = useCommand(api.fitting.addBush, {
    what: `Bush ${name}`,
    onSent: () => (dropPivot(), size.forget(), turned.forget()),
    onDone: (b) => say(b.off ? `${name}: plugged. It needs its bush again.` : `${name}: bush fitted.`),
  });
  const tried = useTried();
  const { located, shake, spins } = tried;
  const tries = visit.bushes.filter((b) => b.hole === hole.key && b.off).length;
  const pivotMm = lengthMm(pivot);
  const tooBig = pivotMm !== null && holeShortMm !== null && pivotMm > holeShortMm;
  const { own, stock } = useBushStock();
  const choices =
    pivotMm === null || plateMm === null || tooBig || holeLongMm === null || holeShortMm === null
      ? []
      : bushChoices(
          {
            finishedPivotMm: pivotMm,
            clearanceMm: freshClearanceMm(pivotMm),
            holeLongMm,
            holeShortMm,
            plateMm,
          },
          stock,
        );
  const [picked, setPicked] = useState('');
  const turned = useTurned(pivotMm, choices.length === 0, draft);
  const sizeOf = (b: BushStock) => `${b.boreMm} × ${b.outsideMm} × ${b.heightMm} mm`;
  const offered = choices.find((b) => sizeOf(b) === picked) ?? choices[0] ?? null;
  /** What goes in: a bush of another size where one is entered, else the one that is offered. */
  const choice = turned.open ? turned.bush : offered;
  const send = (off = false) => {
    if (!choice || pivotMm === null) return;
    const two = (mm: number) => Number(mm.toFixed(3));
    add.mutate({
      params: { visitId: visit.id },
      body: {
        hole: hole.key,
        pivotMm: two(pivotMm),
        boreMm: two(choice.finishedBoreMm),
        outsideMm: choice.outsideMm,
        heightMm: choice.heightMm,
        stockId: choice.stockId,
        located: located || null,
        off,
        endShakeMm: off ? null : lengthMm(shake, [0, 10]),
        spins: off || spins === '' ? null : spins === 'true',
      },
    });
  };
  return {
    size,
    pivot,
    setPivot,
    add,
    ...tried,
    tries,
    pivotMm,
    tooBig,
    own,
    choices,
    setPicked,
    sizeOf,
    choice,
    offered,
    turned,
    send,
  };
}
