/** What a script says to the person, and how it gives up. */
export const say = (text) => console.log(`· ${text}`);

export class GiveUp extends Error {}

/** Stops with a plain message: what is wrong, what to do. */
export function giveUp(text) {
  throw new GiveUp(text);
}

export async function main(work) {
  try {
    process.exitCode = (await work()) ?? process.exitCode ?? 0;
  } catch (error) {
    console.error(error instanceof GiveUp ? `\n✗ ${error.message}` : error);
    process.exitCode = 1;
  }
}
