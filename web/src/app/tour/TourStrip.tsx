import { ArrowLeft, ArrowRight, X } from 'lucide-react';
import { useNavigate, Link } from 'react-router';
import { useAppState, say } from '../../data/app-state.ts';
import { useBench, useInDemo } from '../../data/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { TOUR } from './steps.ts';

/** One step of the first hour, over the screen on which it is done: what to do there, and on to the next. */
export default function TourStrip({ at }: { at: number }) {
  const go = useNavigate();
  const { data: rows = [] } = useBench();
  const { set } = useAppState.getState();
  const step = TOUR[at];
  const inDemo = useInDemo();
  if (!step || !inDemo) return null;
  const turn = (next: number) => {
    if (next === TOUR.length) {
      set({ tour: null });
      say('That was the first hour. Ctrl K finds the rest.');
      return;
    }
    set({ tour: next });
    void go(TOUR[next]!.to(rows));
  };
  return (
    <section
      aria-label="First hour"
      className={
        'no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-brass-fill bg-brass-wash px-3 py-1 ' +
        'sm:flex-nowrap md:px-6'
      }
    >
      <p className="min-w-0 flex-1 basis-64 py-1 text-sm sm:text-base">
        <Link to={step.to(rows)} className="font-bold underline">
          {step.title}
        </Link>
        : {step.does}
      </p>
      <div className="ml-auto flex shrink-0 items-center gap-1">
        <span className="px-2 whitespace-nowrap text-soft" aria-label={`Step ${at + 1} of ${TOUR.length}`}>
          {at + 1} of {TOUR.length}
        </span>
        <Button variant="plain" aria-label="The step before" disabled={at === 0} onClick={() => turn(at - 1)}>
          <ArrowLeft className="size-5" aria-hidden />
        </Button>
        <Button onClick={() => turn(at + 1)}>
          {at + 1 === TOUR.length ? 'Done' : 'Next step'}
          <ArrowRight className="size-5" aria-hidden />
        </Button>
        <Button variant="plain" aria-label="Leave the tour" onClick={() => set({ tour: null })}>
          <X className="size-5" aria-hidden />
        </Button>
      </div>
    </section>
  );
}
