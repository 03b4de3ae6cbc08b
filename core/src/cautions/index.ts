import { drivenBy, has, isSpring, isWeight, type Traits } from '../movement/index.ts';
import type { StageId } from '../workflow/index.ts';

/**
 * Where the work can hurt somebody. Each stands at its stage, before the work; `acknowledge` ones need a name and a
 * time.
 */
export interface Caution {
  id: string;
  stages: readonly StageId[];
  text: string;
  acknowledge: boolean;
  applies: (traits: Traits) => boolean;
}

export const LOCAL_RULES =
  'Follow your local rules; mains wiring, radiation, mercury and asbestos belong to licensed or trained people.';
/** At every step with a solvent or a finish. */
export const VAPOUR =
  'Flammable vapour: ventilation, no flame, no glowing element, no heat gun; gloves that it does not ' +
  'dissolve; rags in a closed metal can. Follow your local rules.';
const always = () => true;

/** Said wherever the clock is open while a spring is held by ties. */
export const TIED =
  'A spring held by ties is makeshift: a tie can burst. Eye protection, and treat it as wound until it is let down.';

export const CAUTIONS: readonly Caution[] = [
  {
    id: 'wound-spring',
    stages: ['power'],
    acknowledge: true,
    applies: (t) => drivenBy(t, isSpring),
    text:
      'A wound spring can maim and wreck the train. Clamp the movement, use a let-down tool that fits, ' +
      'gloves and eye protection, and never open plates under power.',
  },
  {
    id: 'fusee',
    stages: ['power'],
    acknowledge: true,
    applies: (t) => drivenBy(t, (d) => d === 'fusee spring'),
    text:
      'Never unhook a loaded chain. Let the set-up down by its ratchet and count the turns. A large ' +
      'spring needs two hands and a clamped movement.',
  },
  {
    id: 'weights',
    stages: ['intake', 'power'],
    acknowledge: true,
    applies: (t) => drivenBy(t, isWeight),
    text:
      'Weights off before the clock is moved: they fall through floors and feet. Check lines before ' +
      'hanging. A tall case is fixed to the wall.',
  },
  {
    id: 'ties',
    stages: ['power'],
    acknowledge: false,
    applies: (t) => drivenBy(t, (d) => d === 'open spring'),
    text: TIED,
  },
  {
    id: 'escapement',
    stages: ['power'],
    acknowledge: false,
    applies: (t) => t.escapement !== 'none',
    text: 'Never take out pallets, platform or escape wheel with power on: the train runs away and strips.',
  },
  {
    id: 'mains',
    stages: ['intake', 'assess', 'power', 'run'],
    acknowledge: true,
    applies: (t) => drivenBy(t, (d) => d === 'mains motor') || has(t, 'mains cord'),
    text: `Unplug and lock off before opening. Old cord and insulation are dangerous. ${LOCAL_RULES}`,
  },
  {
    id: 'coil',
    stages: ['power', 'run'],
    acknowledge: false,
    applies: (t) => has(t, 'coil'),
    text: 'Limit the current and suppress the coil before touching it: an opened coil shocks.',
  },
  {
    id: 'luminous',
    stages: ['intake', 'assess', 'clean'],
    acknowledge: true,
    applies: (t) => has(t, 'luminous paint'),
    text:
      'Old luminous paint may carry radium: do not scrape, brush, lick or wash. Bag it, wear gloves. ' +
      `${LOCAL_RULES}`,
  },
  {
    id: 'mercury',
    stages: ['intake', 'power', 'clean'],
    acknowledge: true,
    applies: (t) => has(t, 'mercury pendulum'),
    text: `Toxic vapour: the vessel stays upright, never into a bath or a drain. ${LOCAL_RULES}`,
  },
  {
    id: 'dome',
    stages: ['intake', 'assess'],
    acknowledge: true,
    applies: (t) => has(t, 'dome'),
    text: 'Glass dome: two people, gloves and a padded place to set it down.',
  },
  {
    id: 'ammonia',
    stages: ['clean'],
    acknowledge: false,
    applies: always,
    text:
      'Ammonia: ventilate, goggles, never with bleach. Solvent: no flame, no glowing element, no heat ' +
      'gun. No flammable liquid in an ultrasonic tank.',
  },
  {
    id: 'drilling',
    stages: ['fit'],
    acknowledge: false,
    applies: always,
    text:
      'Opening a plate is done once only. Clamp the plate, never hold it by hand: the cutter seizes as ' +
      'it comes through. Eye protection; no gloves at a turning chuck.',
  },
  {
    id: 'hands',
    stages: ['run'],
    acknowledge: false,
    applies: (t) => t.strike !== 'none' || has(t, 'calendar work'),
    text: 'Do not turn the hands back past a release or the calendar change.',
  },
];

export const cautionsFor = (traits: Traits, stage: StageId): Caution[] =>
  CAUTIONS.filter((c) => c.stages.includes(stage) && c.applies(traits));
