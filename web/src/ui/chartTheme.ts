import { useMemo, useSyncExternalStore } from 'react';

export const CHART_FONT = { size: 15, family: 'Atkinson Hyperlegible Next Variable' };

const NAMES = ['steel', 'brass-fill', 'enamel', 'line', 'soft', 'danger'] as const;
export type Colours = Record<(typeof NAMES)[number], string>;

const watch = (changed: () => void) => {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
};
const read = () => {
  const style = getComputedStyle(document.documentElement);
  return NAMES.map((name) => style.getPropertyValue(`--${name}`).trim()).join('\n');
};

/**
 * The colours of the theme as they are now. A canvas does not follow the style sheet: a chart is drawn anew when they
 * change.
 */
export function useColours(): Colours {
  const now = useSyncExternalStore(watch, read);
  return useMemo(() => {
    const values = now.split('\n');
    return Object.fromEntries(NAMES.map((name, i) => [name, values[i] ?? ''])) as Colours;
  }, [now]);
}
