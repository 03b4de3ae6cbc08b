import { checkMachine, needBuild, needPackages } from './lib/machine.mjs';
import { main, say } from './lib/say.mjs';

await main(() => {
  checkMachine();
  needPackages();
  needBuild();
  say('dist/ is made of these sources');
});
