import { readFileSync } from 'node:fs';
import type { Plugin } from 'vite';

/**
 * Writes `screens.json` beside the built pages: which scripts each address of the router needs. The server names them
 * in the head of its reply, so that a screen's script comes together with the first one and not after it.
 */
export function screens(router: string): Plugin {
  return {
    name: 'eclat-screens',
    generateBundle(_options, bundle) {
      const chunks = Object.values(bundle).filter((c) => c.type === 'chunk');
      const withImports = (file: string, seen = new Set<string>()): Set<string> => {
        const chunk = chunks.find((c) => c.fileName === file);
        if (!chunk || seen.has(file)) return seen;
        seen.add(file);
        for (const i of chunk.imports) withImports(i, seen);
        return seen;
      };
      const first = chunks.filter((c) => c.isEntry).flatMap((c) => [...withImports(c.fileName)]);
      const found: Record<string, string[]> = {};
      for (const [, path, module] of readFileSync(router, 'utf8').matchAll(
        /path: '([^']+)',\s*(?:handle: \{[^}]*\},\s*)?lazy: \(\) =>\s*import\('\.\.\/([^']+)'\)/g,
      )) {
        const chunk = chunks.find((c) => c.facadeModuleId?.endsWith(`/src/${module}`));
        // Two screens of one name, inside a visit and outside: either needs both at the most.
        if (chunk)
          found[path!] = [...new Set([...(found[path!] ?? []), ...withImports(chunk.fileName)])].filter(
            (f) => !first.includes(f),
          );
      }
      this.emitFile({ type: 'asset', fileName: 'screens.json', source: JSON.stringify(found) });
    },
  };
}
