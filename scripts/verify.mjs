/**
 * npm run verify: checks every entry of every book, and names each that is not what was signed. Ends with 1 if there is
 * one. Safe while Eclat runs.
 */
import { spawnSync } from 'node:child_process';
import { requireBuild, requirePackages, ROOT } from './lib/machine.mjs';
import { withShop } from './lib/pgtools.mjs';
import { main } from './lib/say.mjs';
import { keyEncryptionKey } from './lib/signing-key.mjs';

await main(() => {
  requirePackages();
  requireBuild();
  return withShop((url) => {
    const env = { ...process.env, DATABASE_URL: url, ECLAT_KEY: keyEncryptionKey() };
    return spawnSync(process.execPath, ['dist/server/verify.js'], { cwd: ROOT, env, stdio: 'inherit' }).status ?? 1;
  });
});
process.exit();
