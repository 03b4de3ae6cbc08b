import { canShow, type Observations, type SymptomId } from '../faults/index.ts';
import { drivenBy, isSpring, isWeight, type Traits } from '../movement/index.ts';

type Answers = readonly (readonly [answer: string, implies: Partial<Record<SymptomId, 'present' | 'absent'>>])[];
export interface Question {
  id: string;
  asks: string;
  applies: (t: Traits) => boolean;
  /** What can be pressed; none: it is written. What an answer says of symptoms feeds the diagnosis. */
  answers: Answers;
}

const any = () => true;
const strikes = (t: Traits) => t.strike !== 'none';
const pendulum = (t: Traits) => t.oscillator === 'pendulum';

/** The history of a complaint, as it is asked at the counter. Ids are stable: answers are stored by them. Practice. */
export const QUESTIONS: readonly Question[] = [
  {
    id: 'runs',
    asks: 'Does it run at all?',
    applies: any,
    answers: [
      ['never', { dead: 'present' }],
      ['for a while', { dead: 'absent' }],
      ['all the time', { dead: 'absent' }],
    ],
  },
  {
    id: 'stops-after',
    asks: 'How long after winding does it stop?',
    applies: (t) => drivenBy(t, (d) => isSpring(d) || isWeight(d)),
    answers: [
      ['minutes or hours', { 'stops-hours': 'present' }],
      ['days, near the end of the wind', { 'stops-late': 'present' }],
      ['any time', {}],
      ['it does not stop', { 'stops-hours': 'absent', 'stops-late': 'absent' }],
    ],
  },
  {
    id: 'same-place',
    asks: 'Always at the same place of the hands?',
    applies: any,
    answers: [
      ['yes', { 'stops-place': 'present' }],
      ['no', { 'stops-place': 'absent' }],
      ['not watched', {}],
    ],
  },
  {
    id: 'where',
    asks: 'At home only, or everywhere?',
    applies: (t) => pendulum(t) || t.oscillator === 'torsion pendulum',
    answers: [
      ['at home only', { 'bench-not-case': 'present' }],
      ['everywhere', { 'bench-not-case': 'absent' }],
      ['never tried elsewhere', {}],
    ],
  },
  {
    id: 'moved',
    asks: 'Was it moved or carried before it began?',
    applies: any,
    answers: [
      ['yes, pendulum on', {}],
      ['yes, pendulum off', {}],
      ['no', {}],
    ],
  },
  {
    id: 'beat',
    asks: 'Does it tick evenly?',
    applies: pendulum,
    answers: [
      ['evenly', { 'uneven-beat': 'absent' }],
      ['it limps', { 'uneven-beat': 'present' }],
      ['cannot say', {}],
    ],
  },
  {
    id: 'time',
    asks: 'What does it do to the time?',
    applies: any,
    answers: [
      ['gains', { gains: 'present', loses: 'absent' }],
      ['loses', { loses: 'present', gains: 'absent' }],
      ['now one, now the other', { 'rate-wanders': 'present' }],
      ['keeps time', { gains: 'absent', loses: 'absent', 'rate-wanders': 'absent' }],
    ],
  },
  {
    id: 'strike',
    asks: 'And the strike?',
    applies: strikes,
    answers: [
      ['right', { 'no-strike': 'absent', 'wrong-constant': 'absent', 'wrong-random': 'absent', 'runs-on': 'absent' }],
      ['silent', { 'no-strike': 'present' }],
      ['wrong, always by as much', { 'wrong-constant': 'present' }],
      ['wrong, now so, now so', { 'wrong-random': 'present' }],
      ['goes on and on', { 'runs-on': 'present' }],
    ],
  },
  { id: 'last-right', asks: 'When did it last run right?', applies: any, answers: [] },
  { id: 'last-hand', asks: 'Who last worked on it, and what changed then?', applies: any, answers: [] },
];

/** Questions of the counter that fit a movement with these traits. */
export const questionsFor = (traits: Traits): Question[] => QUESTIONS.filter((q) => q.applies(traits));

/** What the answers say of the symptoms this movement can show. What is later seen at the bench goes before it. */
export function toldBy(traits: Traits, answers: readonly { question: string; answer: string }[]): Observations {
  const told: Observations = {};
  for (const { question, answer } of answers)
    for (const [symptom, state] of Object.entries(
      QUESTIONS.find((q) => q.id === question)?.answers.find(([a]) => a === answer)?.[1] ?? {},
    ) as [SymptomId, 'present' | 'absent'][])
      if (canShow(traits, symptom)) told[symptom] = state;
  return told;
}
