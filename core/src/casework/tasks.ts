import { VAPOUR } from '../cautions/index.ts';

export const CASE_PLACES = ['case', 'dial', 'glass'] as const;
export type CasePlace = (typeof CASE_PLACES)[number];
/** Where wood, trim or glass came from. A guess is recorded as new, never as what was there. */
export const ORIGINS = ['of this clock', 'donor of the period', 'new, as it was', 'new, a guess'] as const;
export type Origin = (typeof ORIGINS)[number];

export interface TaskTemplate {
  place: CasePlace;
  what: string;
  /** Waiting after each time it is done, hours. */
  waitHours: number;
  /** How often it is done, usually: coats of finish, waxings. */
  times: number;
  /** Sanding, refinishing, drilling: done once only, so it is asked about first. */
  once: boolean;
  caution: string;
}

const GLASS = 'Gloves and eye protection: old glass breaks where it likes.';
const DUST = 'Old finishes may hold lead: no dry sanding without your local rules’ protection.';

const t = (place: CasePlace, what: string, waitHours = 0, times = 1, once = false, caution = ''): TaskTemplate => ({
  place,
  what,
  waitHours,
  times,
  once,
  caution,
});

/**
 * What is done to cases, dials and glasses, with the wait after it. Practice: glue overnight, stain and finish coats 24
 * h each.
 */
export const TASKS: readonly TaskTemplate[] = [
  t('case', 'Old glue out of the joint'),
  t('case', 'Glued and clamped', 12),
  t('case', 'Veneer or moulding laid', 12),
  t('case', 'Trim fitted', 0),
  t('case', 'Old finish cleaned', 1, 1, false, VAPOUR),
  t('case', 'Sanded', 0, 1, true, DUST),
  t('case', 'Stained', 24, 1, true, VAPOUR),
  t('case', 'Finish coat', 24, 3, true, VAPOUR),
  t('case', 'Waxed', 1),
  t('case', 'Screw holes plugged', 12),
  t('case', 'Hinge, latch or foot put right'),
  t('dial', 'Dusted, nothing more'),
  t('dial', 'Flaking edge laid down', 24),
  t('dial', 'Touched in', 24, 1, true),
  t('dial', 'Silvered', 2, 1, true),
  t('dial', 'Lacquered', 24, 1, true, VAPOUR),
  t('glass', 'Old glass out', 0, 1, false, GLASS),
  t('glass', 'Glass cut and fitted', 0, 1, false, GLASS),
  t('glass', 'Bezel or bead fixed', 12),
  t('glass', 'Cleaned'),
];

/** What the trade warns of at such a task; empty for one in the person's own words. */
export const taskCaution = (what: string): string => TASKS.find((x) => x.what === what)?.caution ?? '';

export interface TaskState {
  times: number;
  log: readonly { at: string; by: string }[];
  waitEndsAt: string | null;
  doneAt: string | null;
}

export type TaskStands = 'to do' | 'waiting' | 'once more' | 'ready' | 'done';
/** Where a task stands at a moment, ms since 1970: still drying, wanting its next coat, or only to be called done. */
export function taskStands(task: TaskState, now: number): TaskStands {
  if (task.doneAt !== null) return 'done';
  if (task.log.length === 0) return 'to do';
  if (task.waitEndsAt !== null && Date.parse(task.waitEndsAt) > now) return 'waiting';
  return task.log.length < task.times ? 'once more' : 'ready';
}
