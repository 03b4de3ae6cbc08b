import type { RouteObject } from 'react-router';

const AFTER_MS = 4_000;

/**
 * Once the first screen stands, the scripts of all others are fetched quietly: they are there when they are pressed,
 * and while the server is away.
 */
export function warmUp(routes: readonly RouteObject[]): void {
  setTimeout(() => {
    const fetchAll = (list: readonly RouteObject[]) => {
      for (const { lazy, children } of list) {
        if (typeof lazy === 'function') lazy().catch(() => undefined); // it is fetched again when it is needed
        if (children) fetchAll(children);
      }
    };
    fetchAll(routes);
    for (const piece of [
      import('./PersonMenu.tsx'),
      import('./OnDevice.tsx'),
      import('../ui/help/HelpSheet.tsx'),
      import('./find/FindSheet.tsx'),
      import('@eclat/contract/foreseen'),
      import('../data/unsent-file.ts'),
      import('../ui/Conflict.tsx'),
      import('../ui/KeyList.tsx'),
      import('../ui/Sheet.tsx'),
      import('../features/test-run/RateChart.tsx'),
      import('../features/visit/LookUp.tsx'),
      import('../features/conservation/DecisionSheet.tsx'),
      import('../features/movements/book-zip.ts'),
      import('../features/workings/UseInVisit.tsx'),
      import('../features/workings/figures/Charts.tsx'),
    ])
      piece.catch(() => undefined);
  }, AFTER_MS);
}
