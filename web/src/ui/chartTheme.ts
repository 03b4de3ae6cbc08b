import { useSyncExternalStore } from 'react';

export const CHART_FONT = { size: 15, family: 'Atkinson Hyperlegible Next Variable' };

/** A colour of the theme as it is now. */
export const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

const watch = (changed: () => void) => {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
};

/** The theme's name; a chart is drawn anew when it changes, since a canvas does not follow the style sheet. */
export const useTheme = (): string | undefined => useSyncExternalStore(watch, () => document.documentElement.dataset['theme']);
