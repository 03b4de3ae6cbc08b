import { useLayoutEffect } from 'react';

/** One key, one action, while no field is being typed in. */
export function useKeys(actions: Record<string, () => void>): void {
  // Before anything is painted: a key pressed on what is seen is heard.
  useLayoutEffect(() => {
    const press = (e: KeyboardEvent) => {
      const at = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || /^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName) || at.isContentEditable)
        return;
      if (document.querySelector('[role="dialog"]')) return;
      const action = actions[e.key];
      if (!action) return;
      e.preventDefault();
      action();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [actions]);
}
