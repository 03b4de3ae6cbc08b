/**
 * An error as the log may keep it: what kind, where in the code, which table and constraint. What the database says
 * holds the values of the statement, names and telephone numbers among them: that stays out.
 */
export function forLog(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { type: typeof error };
  const { code, table, constraint, sqlState } = error as unknown as Record<string, string | undefined>;
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  const ofDatabase = code !== undefined || sqlState !== undefined;
  return {
    type: error.constructor.name,
    ...(ofDatabase ? { code: code ?? sqlState, table, constraint } : { message: error.message }),
    stack: frames.join('\n'),
  };
}

/** A path without what opens something: the parts that are secret are long, and are no ids. */
export const pathForLog = (path: string): string =>
  path.replace(/[\w-]{20,}/g, (part) => (UUID.test(part) ? part : '…'));
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
