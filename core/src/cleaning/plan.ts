import { held, type Choices } from '../rules/index.ts';
import { bathRule, type Bath, type Material } from './materials.ts';

export interface BasketPart {
  name: string;
  /** Many parts are composites: each material counts, the strictest rules. */
  materials: readonly Material[];
}

export interface RunPlan {
  /** Longest stay in minutes; null where no part sets one. */
  limitMin: number | null;
  /** Which part set it, and of what it is made. */
  limitedBy: { part: string; material: Material } | null;
  forbidden: { part: string; material: Material; reason: string }[];
}

const STEEL: readonly Material[] = ['plain steel', 'blued or polished steel'];
/**
 * Parts of steel alone that the shop keeps out of water, where it does. A wheel on its steel arbor goes in with its
 * brass.
 */
export const keptDry = (parts: readonly BasketPart[], baths: readonly Bath[], choices: Choices): BasketPart[] =>
  held('steel', choices).id === 'out' && baths.some((b) => b === 'ammoniated water' || b === 'detergent')
    ? parts.filter((p) => p.materials.every((m) => STEEL.includes(m)))
    : [];

/** Minutes in the bath before a look. House rule: steps of five. */
export const LOOK_EVERY_MIN = 5;

/** What a basket may stand: the strictest material sets the limit, a forbidden one must come out. */
export function planRun(parts: readonly BasketPart[], bath: Bath): RunPlan {
  const plan: RunPlan = { limitMin: null, limitedBy: null, forbidden: [] };
  for (const part of parts)
    for (const material of part.materials) {
      const rule = bathRule(material, bath);
      if (typeof rule === 'number') {
        if (plan.limitMin === null || rule < plan.limitMin)
          Object.assign(plan, { limitMin: rule, limitedBy: { part: part.name, material } });
      } else if (rule !== 'ok') plan.forbidden.push({ part: part.name, material, reason: rule });
    }
  return plan;
}
