import type { ReactNode } from 'react';
import { Sheet } from '../Sheet.tsx';
import * as Pictures from './pictures.tsx';
import { HELP_TITLES, type HelpId } from './titles.ts';

/** Two sentences each, and what they speak of, drawn. */
export const HELP: Record<HelpId, { says: readonly [string, string]; picture: ReactNode }> = {
  stages: {
    says: [
      'Each piece of the ring is a stage: filled is done, brass is where the job stands, empty is to come.',
      'A faint piece is not in this job; it can be opened at any time.',
    ],
    picture: <Pictures.Stages />,
  },
  power: {
    says: [
      'Each spring or weight is wound, tied, contained, let down or not known.',
      'Only what is contained or let down may be opened; not known counts as wound until somebody looks.',
    ],
    picture: <Pictures.Power />,
  },
  hole: {
    says: [
      'The play is the hole less the pivot; a hole longer one way than the other is worn oval.',
      'The figures give a verdict, yours is kept beside it, and yours is what is done.',
    ],
    picture: <Pictures.Hole />,
  },
  beat: {
    says: [
      'Each arc is one way of the swing, and the one that stops short of the mark is the shorter way.',
      'They meet under the mark when the clock is in beat, and inside the thin band it will do.',
    ],
    picture: <Pictures.Beat />,
  },
  heard: {
    says: [
      'The rate is what it gains or loses in a day; ± says how far that may be off: less, the longer it is heard.',
      'The beat error is by how much one way of the swing differs from the middle of both.',
    ],
    picture: <Pictures.Heard />,
  },
  rate: {
    says: [
      'Each point is how far the dial was ahead; the steeper the line through them, the larger the rate.',
      'It begins anew where the clock was set, adjusted, moved or stopped, not where it was only wound.',
    ],
    picture: <Pictures.Rate />,
  },
  swing: {
    says: [
      'The swing is counted in degrees from the middle to one side, and shrinks as a spring runs down.',
      'Where its line would reach the level line, the clock stops.',
    ],
    picture: <Pictures.Swing />,
  },
  oil: {
    says: [
      'The larger the drop, the heavier the oil; a dab is grease, and a crossed drop stays dry.',
      'A ring that is filled has been ticked, with the oil and its batch.',
    ],
    picture: <Pictures.Oil />,
  },
  causes: {
    says: [
      'Each figure says how likely that cause is, from what is seen and what was looked for and is not there.',
      'Several can be true at once, so they do not add up to 100 %.',
    ],
    picture: <Pictures.Causes />,
  },
  promise: {
    says: [
      'The work left, the parts on order and the hours of this shop are played through many times.',
      'Half of those times it is ready by one date, nine times in ten by the other: promise that one.',
    ],
    picture: <Pictures.Promise />,
  },
  rules: {
    says: [
      'Where good shops differ this shop chooses one way; a clock keeps the version of the day it came in.',
      'One answer may differ for one clock, with its reason, and both stand in the record.',
    ],
    picture: <Pictures.Rules />,
  },
  decades: {
    says: [
      'A filled diamond is a service, an open one any other entry, such as a mark found on it.',
      'A bar is as long as its date is unsure, and what has no date stands before the line.',
    ],
    picture: <Pictures.Decades />,
  },
  original: {
    says: [
      'Each arbor stands between its two holes; their signs say as made, punched closer or bushed.',
      'It is read from the visits and the marks found, so a hole nobody has looked at is not known.',
    ],
    picture: <Pictures.Original />,
  },
  strike: {
    says: [
      'The tail of the rack falls on the snail, and the deeper that step, the more teeth are gathered: so many blows.',
      'Put a fault in and step through it, or let Eclat hide one and find it by what you see and hear.',
    ],
    picture: <Pictures.Strike />,
  },
};

export function HelpSheet({ about, onClose }: { about: HelpId; onClose: () => void }) {
  const { says, picture } = HELP[about];
  return (
    <Sheet open onClose={onClose} title={HELP_TITLES[about]} description={says.join(' ')}>
      <svg viewBox="0 0 320 140" className="mx-auto w-full max-w-lg rounded-lg bg-page" aria-hidden>
        {picture}
      </svg>
    </Sheet>
  );
}
