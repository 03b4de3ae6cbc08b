/** Lines of test code as a share of all code lines: blank lines and lines of comment alone do not count. */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/machine.mjs';

const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
  cwd: ROOT,
  encoding: 'utf8',
})
  .split('\n')
  .filter((f) => /\.(ts|tsx|mjs|cjs|js|css|html)$/.test(f));
const isTest = (f) =>
  /\.(test|spec)\.tsx?$/.test(f) || f.startsWith('e2e/') || f.startsWith('server/test/') || f.startsWith('web/test/');

function codeLines(file) {
  let inComment = false;
  return readFileSync(join(ROOT, file), 'utf8')
    .split('\n')
    .filter((raw) => {
      const line = raw.trim();
      if (inComment) {
        if (line.includes('*/')) inComment = false;
        return false;
      }
      if (line === '' || line.startsWith('//') || line.startsWith('<!--')) return false;
      if (line.startsWith('/*')) {
        inComment = !line.includes('*/');
        return line.includes('*/') && !line.endsWith('*/');
      }
      return true;
    }).length;
}

const sum = (list) => list.reduce((n, f) => n + codeLines(f), 0);
const test = sum(files.filter(isTest));
const all = sum(files);
console.log(`${test} lines of test code of ${all} lines of code: ${((100 * test) / all).toFixed(1)} %`);
