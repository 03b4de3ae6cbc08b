import { drivenBy, has, isMains, isSpring, onMains, isWeight, type Traits } from '../movement/index.ts';
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
    id: 'barrel',
    stages: ['strip', 'clean', 'survey', 'fit', 'assemble'],
    acknowledge: false,
    applies: (t) => drivenBy(t, isSpring),
    text:
      'A mainspring goes in and out with a winder and its sleeve, eye protection on; never by hand where it is ' +
      'strong. In its barrel it may still be under tension.',
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
    id: 'hang-weights',
    stages: ['assemble', 'run', 'deliver'],
    acknowledge: false,
    applies: (t) => drivenBy(t, isWeight),
    text:
      'Lines, hooks and clicks are looked at before a weight is hung: a bad click drops it. Nothing stands under it; ' +
      'stand or case is fixed first. Each goes back to its own place.',
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
    stages: ['intake', 'assess', 'diagnose', 'power', 'strip', 'fit', 'assemble', 'run'],
    acknowledge: true,
    applies: onMains,
    text: `Unplug and lock off before opening. Old cord and insulation are dangerous. ${LOCAL_RULES}`,
  },
  {
    id: 'other-hertz',
    stages: ['diagnose', 'run'],
    acknowledge: false,
    applies: (t) => drivenBy(t, isMains),
    text:
      'A 60 Hz coil on 50 Hz draws up to a fifth more current and runs hot: read its plate first, and never leave it ' +
      'alone until its temperature is known.',
  },
  {
    id: 'coil',
    stages: ['diagnose', 'power', 'run'],
    acknowledge: false,
    applies: (t) => has(t, 'coil') && !drivenBy(t, isMains),
    text:
      'Limit the current and suppress the coil before touching it: an opened coil shocks. A resistor beside it gets ' +
      'hot.',
  },
  {
    id: 'luminous',
    stages: ['intake', 'assess', 'strip', 'clean', 'assemble'],
    acknowledge: true,
    applies: (t) => has(t, 'luminous paint'),
    text:
      'Old luminous paint may carry radium: do not scrape, brush, lick or wash. Gloves; bag it. Radon gathers in a ' +
      `closed box. ${LOCAL_RULES}`,
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
    id: 'old-chemicals',
    stages: ['clean'],
    acknowledge: false,
    applies: always,
    text:
      'An old bottle without a name may hold cyanide or a chlorinated solvent: leave it shut for a specialist. ' +
      'No hot part into alcohol.',
  },
  {
    id: 'drilling',
    stages: ['fit'],
    acknowledge: false,
    applies: always,
    text:
      'Opening a plate is done once only. Clamp the plate, never hold it by hand: the cutter seizes as ' +
      'it comes through. Eye protection; no gloves and no loose sleeves at a turning chuck.',
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
