import { fileURLToPath } from 'node:url';
import { startServer } from './server.ts';

const env = process.env;
const databaseUrl = env['DATABASE_URL'];
if (!databaseUrl) {
  console.error(
    'DATABASE_URL is not set. `npm start` runs a database of its own; or point DATABASE_URL at a ' +
      'PostgreSQL 15 or later.',
  );
  process.exit(2);
}

try {
  const running = await startServer({
    databaseUrl,
    host: env['HOST'] ?? '127.0.0.1',
    port: Number(env['PORT'] ?? 4080),
    web: env['ECLAT_WEB'] ?? fileURLToPath(new URL('../web', import.meta.url)),
    demo: env['ECLAT_DEMO'] === '1',
    checkReplies: env['ECLAT_CHECK_REPLIES'] === '1',
    proxies: Number(env['ECLAT_PROXIES'] ?? 0),
    logLevel: env['LOG_LEVEL'] ?? 'warn',
  });
  if (running.openingCode) console.log(`CODE ${running.openingCode}`);
  console.log(`READY ${running.address}`);
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    void running.stop().then(() => process.exit(0));
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, stop);
  // Started by our own script: when that is gone, however it went, so is this pipe.
  if (env['ECLAT_FOLLOW'] === '1') process.stdin.on('end', stop).on('error', stop).resume();
} catch (error) {
  const { code, message } = error as { code?: string; message: string };
  console.error(
    code === 'EADDRINUSE'
      ? `Port ${env['PORT'] ?? 4080} is taken. Choose another: PORT=4090 npm start`
      : `Eclat could not start: ${message}`,
  );
  process.exit(1);
}
