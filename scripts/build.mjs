import { checkMachine, requireBuild, requirePackages } from './lib/machine.mjs';
import { main, say } from './lib/say.mjs';

await main(() => {
  checkMachine();
  requirePackages();
  requireBuild();
  say('dist/ is made of these sources');
});
