/** npm run where -- survey: where a feature, a stage or a subject of core lies. Without a name: all of them. */
import { existsSync, readdirSync } from 'node:fs';
import { FEATURES, type Feature } from '../contract/src/features.ts';

const ROOT = new URL('..', import.meta.url).pathname;
const LAYERS = {
  contract: (name: string) => `contract/src/${name}.ts`,
  server: (name: string) => `server/src/${name}/`,
  web: (name: string) => `web/src/features/${name}/`,
} as const;
export type Layer = keyof typeof LAYERS;

/** Where a feature lies: the path of each layer, or why there is none. */
export function placesOf(name: string): { layer: Layer | 'core'; path: string; there: boolean; why: string }[] {
  const feature: Feature = FEATURES[name as keyof typeof FEATURES];
  const layers = (Object.keys(LAYERS) as Layer[]).map((layer) => {
    const path = LAYERS[layer](name);
    return { layer, path, there: existsSync(ROOT + path), why: feature.lacks?.[layer] ?? '' };
  });
  const core = feature.core.map((subject) => {
    const path = `core/src/${subject}/`;
    return { layer: 'core' as const, path, there: existsSync(ROOT + path), why: '' };
  });
  return [...layers, ...core];
}

/** Features by a name, a stage id, or a subject of core. */
export const featuresNamed = (word: string): string[] =>
  Object.entries(FEATURES as Record<string, Feature>).flatMap(([name, f]) =>
    word === '' || name.includes(word) || f.stage === word || f.core.includes(word) ? [name] : [],
  );

/** Folders and files of a layer that no feature claims. */
export function unclaimed(layer: Layer, shared: readonly string[]): string[] {
  const folder = { contract: 'contract/src', server: 'server/src', web: 'web/src/features' }[layer];
  const entries = readdirSync(ROOT + folder).map((e) => e.replace(/\.ts$/, ''));
  return entries.filter((e) => !(e in FEATURES) && !shared.includes(e) && !e.endsWith('.test'));
}

if (process.argv[1] === import.meta.filename) {
  const names = featuresNamed(process.argv[2] ?? '');
  if (names.length === 0) {
    console.error(`No feature, stage or subject is called "${process.argv[2]}".`);
    process.exitCode = 2;
  }
  for (const name of names) {
    const { stage }: Feature = FEATURES[name as keyof typeof FEATURES];
    console.log(stage ? `${name} (stage id: ${stage})` : name);
    for (const { layer, path, there, why } of placesOf(name))
      console.log(`  ${layer.padEnd(8)} ${there ? path : `none: ${why}`}`);
  }
}
