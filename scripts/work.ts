import { runWorking, WORKINGS, workingById } from '@eclat/core/workings';
import { z } from 'zod';

const [id, json, ...more] = process.argv.slice(2);
const print = (value: unknown): void => void process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
/** Bad input ends with 2 and a problem on standard error. */
const refuse = (title: string, fields: { path: string; message: string }[] = []) => {
  process.stderr.write(`${JSON.stringify({ type: 'about:blank', title, status: 422, fields }, null, 2)}\n`);
  process.exitCode = 2;
};

function run(): void {
  if (id === '--list')
    return print(
      WORKINGS.map((w) => ({
        id: w.id,
        title: w.title,
        asks: w.asks,
        version: w.version,
        inputs: z.toJSONSchema(w.inputs, { io: 'input' }),
        example: w.example,
      })),
    );
  if (!id || more.length > 0)
    return refuse('Say which: npm run --silent work -- --list, or npm run --silent work -- ID \'{"…": …}\'.');
  const working = workingById(id);
  if (!working) return refuse(`There is no working "${id}". --list names them.`);
  let given: unknown;
  try {
    given = JSON.parse(json ?? '{}');
  } catch {
    return refuse('The inputs are not JSON.');
  }
  const outcome = runWorking(working, given);
  if (!outcome.ok)
    return refuse(
      'Something typed is not valid.',
      outcome.problems.map((p) => ({ path: p.field, message: p.message })),
    );
  const { result, says, version } = outcome;
  print({ id, version, result, says });
}
process.stdout.on('error', () => process.exit()); // the reader had enough
run();
