/** Test code as a share of all code, in tokens: a line break changes nothing, nor does a comment or a longer name. */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { ROOT } from './lib/machine.mjs';

const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
  cwd: ROOT,
  encoding: 'utf8',
})
  .split('\n')
  .filter((f) => /\.(ts|tsx|mjs|cjs|js)$/.test(f));
// What a program wrote is nobody's code.
const isWritten = (f) => f === 'contract/src/addresses.ts';
const isTest = (f) =>
  /\.(test|spec)\.tsx?$/.test(f) || f.startsWith('e2e/') || f.startsWith('server/test/') || f.startsWith('web/test/');

const isComment = ({ kind }) => kind >= ts.SyntaxKind.FirstJSDocNode && kind <= ts.SyntaxKind.LastJSDocNode;

function tokens(file) {
  const kind = /\.(tsx|js|cjs|mjs)$/.test(file) ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(file, readFileSync(join(ROOT, file), 'utf8'), ts.ScriptTarget.Latest, false, kind);
  let count = 0;
  const visit = (node) => {
    const parts = node.getChildren(source);
    if (parts.length === 0 && node.getWidth(source) > 0) count += 1;
    for (const part of parts) if (!isComment(part)) visit(part);
  };
  visit(source);
  return count;
}

const sum = (list) => list.reduce((n, f) => n + tokens(f), 0);
const mine = files.filter((f) => !isWritten(f));
const test = sum(mine.filter(isTest));
const all = sum(mine);
console.log(`${test} tokens of test code of ${all} tokens of code: ${((100 * test) / all).toFixed(1)} %`);
