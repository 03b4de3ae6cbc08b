import { chromium, type Locator, type Page } from '@playwright/test';
import { familyById } from '../core/src/movement/index.ts';
import { UNIT_STAGES, stageName } from '../core/src/workflow/index.ts';
import { JOBS, type Plan } from '../server/test/jobs.ts';
import { signIn } from './sign-in.ts';

/**
 * Sixteen whole jobs in the browser, from the counter to the signature, with one finger: how many presses each takes,
 * and into how many fields something is typed. A field is pressed before it is typed into; the letters are not
 * counted. `npm run bench -- presses [words of a job]`.
 */
const address = process.env['ECLAT_ADDRESS']!;
const only = process.argv.slice(2).join(' ');
/** A tablet upright; `ECLAT_SIZE=390x844` for a phone. */
const [width, height] = (process.env['ECLAT_SIZE'] ?? '820x1180').split('x').map(Number);
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM']!,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});

/** One finger, and how often it pressed. */
class Hand {
  presses = 0;
  typed = 0;
  constructor(readonly page: Page) {}
  async press(on: Locator): Promise<void> {
    await on.click();
    this.presses++;
  }
  button = (name: string | RegExp, exact = true) => this.press(this.page.getByRole('button', { name, exact }).first());
  async type(label: string, words: string): Promise<void> {
    const field = this.page.getByLabel(label, { exact: true }).first();
    await field.fill(words);
    this.typed++;
    this.presses++;
  }
  /** Each of them once, as long as there is one; what it leads to has come before the next. */
  async all(of: Locator): Promise<void> {
    for (let n = await of.count(); n > 0; n = await of.count()) {
      const name = await of.first().getAttribute('aria-label');
      await this.press(of.first());
      // Of a long list the next comes up as one goes: then it is the name that goes, not the number.
      if (name) await this.page.getByRole('button', { name, exact: true }).waitFor({ state: 'detached' });
      else await settled(of, n - 1);
    }
  }
}

async function settled(of: Locator, count: number): Promise<void> {
  for (let i = 0; i < 200 && (await of.count()) > count; i++) await of.page().waitForTimeout(25);
  if ((await of.count()) > count) throw new Error(`still ${await of.count()} of ${String(of)}`);
}

/** Ticks what the movement has beside its trains. */
const has = (fitting: string) => async (hand: Hand, sheet: Locator) => {
  await unfold(hand, /^What it has/);
  await hand.press(sheet.getByLabel(fitting));
};

/** What is not as its template has it, by the editor of the description. */
const DESCRIBED: Record<string, (hand: Hand, sheet: Locator) => Promise<void>> = {
  'one weight for two trains': async (hand, sheet) => {
    const strike = sheet.getByRole('listitem', { name: 'strike train' });
    await strike.getByLabel('Driven by').selectOption({ label: 'going: weight on line' });
    const kind = sheet.getByRole('listitem', { name: /^Power: / }).getByLabel('Kind');
    await kind.selectOption('weight on endless chain');
    await sheet.getByLabel('A full wind lasts, hours').fill('30');
    hand.presses += 5;
    hand.typed++;
  },
  'riveted alarm with a figure': has('moving figure'),
  'quarter clock with moon': has('moon work'),
  'dipped by somebody, a new movement': has('moon work'),
  'weight shelf clock, a piece of history': (hand, sheet) =>
    hand.press(sheet.getByRole('button', { name: 'figure', exact: true })),
};

/** By the wheel: two presses, to a stage or to what lies beside them. */
async function goTo(hand: Hand, name: string | RegExp): Promise<void> {
  await hand.press(hand.page.getByRole('button', { name: /^Stages\. Here/ }));
  await hand.press(hand.page.getByRole('navigation', { name: 'Stages of this visit' }).getByRole('link', { name }));
  await hand.page.getByRole('dialog').waitFor({ state: 'detached' });
}
const stage = (hand: Hand, id: string) => goTo(hand, stageName(id as 'fit'));
/** What is folded is opened; what is open stays so. */
async function unfold(hand: Hand, name: string | RegExp): Promise<void> {
  const fold = hand.page.locator('button[data-fold]').filter({ hasText: name }).first();
  await fold.waitFor();
  if ((await fold.getAttribute('aria-expanded')) === 'false') await hand.press(fold);
}

async function takeIn(hand: Hand, plan: Plan): Promise<void> {
  const { page } = hand;
  await hand.press(page.getByRole('link', { name: 'Take in' }));
  if (plan.own) await hand.button('The shop’s own: no owner');
  else {
    await hand.type('Name', 'Odile Tarrowby');
    await hand.type('Phone', '0555 010 442');
    await hand.type('What the owner says is wrong', plan.finds);
  }
  await hand.type('The clock', plan.what);
  await hand.type('The movement', plan.what);
  await page.getByLabel('Family').selectOption({ label: familyById(plan.family).name });
  hand.presses += 2;
  const describes = DESCRIBED[plan.what];
  if (describes) {
    await hand.button('Describe it as found');
    const sheet = page.getByRole('dialog', { name: 'The movement as found' });
    await describes(hand, sheet);
    await hand.press(sheet.getByRole('button', { name: 'So it is' }));
  }
  const SHAPES = {
    ...{ report: 'Look and report', 'in place': 'Cure in place', partial: 'Partial service' },
    replacement: 'Replacement',
  } as const;
  if (plan.shape in SHAPES)
    await hand.press(page.getByRole('radio', { name: SHAPES[plan.shape as 'partial'], exact: true }));
  const TERMS = { free: 'Free', 'no guarantee': 'Without guarantee' } as const;
  if (plan.terms && plan.terms in TERMS)
    await hand.press(page.getByRole('radio', { name: TERMS[plan.terms as 'free'], exact: true }));
  await hand.button('Take it in');
  await page.getByRole('heading', { level: 1, name: plan.what }).waitFor();
}

async function unit(hand: Hand, name: string): Promise<void> {
  await goTo(hand, /Sub-assemblies$/);
  const panel = hand.page.getByRole('list', { name: `Stages of the ${name}` }).locator('xpath=..');
  for (const s of UNIT_STAGES)
    if (s !== 'run') {
      await hand.press(panel.getByRole('button', { name: `${stageName(s)} is done` }));
      await panel.getByRole('button', { name: `${stageName(s)} is done` }).waitFor({ state: 'detached' });
    }
  await hand.press(panel.getByRole('button', { name: 'by hand' }));
  await panel.getByLabel('What it showed').fill('As it should.');
  hand.typed++;
  await hand.press(panel.getByRole('button', { name: /^As it should/ }));
  await panel.getByText('Run: done', { exact: true }).waitFor();
}

/** What is done at each stage; by feel wherever a person would judge by feel. */
const WORK: Record<string, (hand: Hand, plan: Plan) => Promise<void>> = {
  async assess(hand, { finds }) {
    await hand.button('Add a finding');
    await hand.type('Place', 'movement');
    await hand.type('What was seen', finds);
    await hand.button('Record it');
    await hand.page
      .getByText(/^1 finding/)
      .first()
      .waitFor();
  },
  async diagnose(hand, { cause }) {
    if (!cause) return;
    await hand.type('Cause', cause);
    await hand.button('Save');
    await hand.page
      .locator('button:disabled', { hasText: /^Save$/ })
      .first()
      .waitFor();
  },
  async agree(hand, { asked }) {
    if (!asked) return;
    await hand.button('Add a line');
    await hand.type('What is done', asked);
    await hand.type('Hours', '6');
    await hand.button('Add it');
    await hand.press(hand.page.getByRole('radio', { name: 'accepted' }));
  },
  async power(hand) {
    const { page } = hand;
    await hand.all(page.getByRole('button', { name: 'I have read this' }));
    for (const train of await page.getByRole('radio', { name: 'Let down' }).all()) await hand.press(train);
    const begin = page.getByRole('button', { name: 'Begin the strip' });
    if (await begin.isVisible()) await hand.press(begin);
  },
  async strip(hand) {
    const usual = hand.page.getByRole('group', { name: 'Usually next' }).getByRole('button').first();
    await hand.press(usual);
    await hand.button('Log it');
    await hand.page.getByRole('button', { name: /^Take out: / }).waitFor();
  },
  async clean(hand, { baths = [], halves, wipes }) {
    const { page } = hand;
    const sequence = async (name: string) => {
      await page.getByLabel('Sequence', { exact: true }).selectOption(name);
      hand.presses += 2; // it opens, and one of it is pressed
    };
    const run = async (...things: string[]) => {
      for (const thing of things) await hand.button(new RegExp(`^${thing}`), false);
      await hand.button('Begin the run');
      const on = page.getByRole('button', { name: /^On to: / });
      for (await on.waitFor(); await on.isVisible();) {
        const was = await on.innerText();
        await hand.press(on);
        await on.filter({ hasText: was }).waitFor({ state: 'detached' });
      }
      await hand.button('Parts are out');
      await page.getByRole('button', { name: 'Parts are out', exact: true }).waitFor({ state: 'detached' });
    };
    if (halves) {
      await sequence('Whole movement, nothing apart');
      await hand.press(page.getByRole('radio', { name: 'first half' }));
      await run();
      // The other half is offered by itself.
      await run('whole movement');
    }
    if (wipes) {
      await sequence('Wiped, no bath');
      await run(...wipes);
      await sequence('Ultrasonic water bath');
    }
    for (const basket of baths) await run(...basket);
  },
  async survey(hand) {
    const { page } = hand;
    const open = page.getByRole('button', { name: /: not looked at$/ });
    const n = await open.count();
    for (let i = 0; i < n; i++) {
      const word = i % 9 === 8 ? 'not reached' : 'sound';
      await hand.press(page.getByRole('radiogroup', { name: 'Verdict by feel' }).getByRole('radio', { name: word }));
      await settled(open, n - i - 1);
    }
  },
  async fit(hand, { work = [] }) {
    if (work.length > 0) await unfold(hand, 'Work on parts that stay');
    for (const did of work) {
      await hand.type('Part', 'movement');
      await hand.type('What was done', did);
      await hand.button('Enter the work');
      await hand.page.getByText(`movement: ${did}`, { exact: false }).first().waitFor();
    }
  },
  async assemble(hand) {
    await hand.all(hand.page.getByRole('button', { name: /^On again: / }));
    await hand.all(hand.page.getByRole('button', { name: /^Passed: / }));
  },
  oil: (hand) => hand.all(hand.page.getByRole('checkbox', { checked: false })),
  async run(hand, plan) {
    const { page } = hand;
    if (plan.runsWithout) {
      await unfold(hand, 'Run it with parts off');
      await hand.type('What is off', plan.runsWithout);
      await hand.button('Wound and going');
      await hand.type('What it showed', 'Even.');
      await hand.button('End the run');
    }
    if (plan.leaves?.run) return;
    await hand.type('Where it runs', 'wall');
    await hand.button('Start');
    await page.getByRole('button', { name: /^Now/ }).first().waitFor();
    await hand.all(page.getByRole('button', { name: /^Passed: / }));
  },
  deliver: (hand) => hand.all(hand.page.getByRole('button', { name: /^Passed: / })),
};

/** A whole movement of the same type into the case, point by point: each is answered, all that can be met is. */
async function putIn(hand: Hand, name: string): Promise<void> {
  const { page } = hand;
  await goTo(hand, 'Replacement');
  await page.getByText('5. It goes in').waitFor();
  const points = page.getByRole('radiogroup');
  const n = await points.count();
  for (let i = 0; i < n; i++) {
    await hand.press(points.nth(i).getByRole('radio', { name: 'yes', exact: true }));
    await points.nth(i).getByRole('radio', { name: 'yes', exact: true, checked: true }).waitFor();
  }
  await hand.type('The movement that goes in', name);
  await hand.type('Why it is replaced', 'Not worth an overhaul.');
  await hand.button('It is in');
  await hand.press(page.getByRole('dialog').getByRole('button', { name: 'So it is' }));
  await page.getByText('Both movements keep their books').waitFor();
}

async function end(hand: Hand, id: string, plan: Plan): Promise<void> {
  const { page } = hand;
  const why = plan.leaves?.[id as 'run'];
  if (why) {
    await hand.button('Leave it as it is');
    await page.keyboard.type(why);
    hand.typed++;
    await hand.button(/^Left as far as agreed|^Done as far as agreed/, false);
  } else await hand.button(new RegExp(`^${stageName(id as 'fit')} is done`), false);
  await page.waitForURL((u) => !u.pathname.endsWith(`/${id}`));
}

async function play(plan: Plan): Promise<Hand> {
  const context = await browser.newContext({ viewport: { width: width!, height: height! } });
  const cookie = await signIn(address);
  await context.addCookies([{ name: cookie.name, value: cookie.value, url: address }]);
  const page = await context.newPage();
  page.setDefaultTimeout(15_000);
  const hand = new Hand(page);
  try {
    await page.goto(address);
    await takeIn(hand, plan);
    const visitId = new URL(page.url()).pathname.split('/')[2]!;
    const stages = async () =>
      (
        (await (await page.request.get(`${address}/api/visits/${visitId}`)).json()) as {
          stages: { stage: string; state: string }[];
        }
      ).stages;
    if (plan.units) await goTo(hand, /Sub-assemblies$/);
    for (const name of plan.units ?? []) await hand.button(name);
    for (const s of plan.bringsIn ?? []) {
      await stage(hand, s);
      await hand.button('Bring it in');
      await page.getByRole('button', { name: new RegExp(`^${stageName(s)} is done`) }).waitFor();
    }
    let { another } = plan;
    const open = async () => (await stages()).find((s) => s.state === 'open' && s.stage !== 'sign')?.stage;
    for (let id = await open(); id; id = await open()) {
      if (!page.url().endsWith(`/${id}`)) await stage(hand, id);
      await page.waitForURL(new RegExp(`/${id}$`));
      await page.getByRole('button', { name: new RegExp(`^${stageName(id as 'fit')} is done`) }).waitFor();
      await WORK[id]?.(hand, plan);
      await end(hand, id, plan);
      if (id === 'power' && another) await putIn(hand, another);
      if (id === 'power') another = undefined;
    }
    for (const name of plan.units ?? []) await unit(hand, name);
    if (!page.url().endsWith('/sign')) await stage(hand, 'sign');
    await hand.type('For the next repairer', plan.finds);
    const waiver = 'Why the rest of the test is waived';
    if (await page.getByLabel(waiver).isVisible()) await hand.type(waiver, 'Watched over its whole wind on the wall.');
    await hand.button('Sign and close');
    await page.getByLabel('Your passphrase').fill('brass-lark-mends-nine');
    await hand.press(page.getByRole('dialog').getByRole('button', { name: 'Sign', exact: true }));
    await page.getByText('Signed', { exact: false }).first().waitFor();
    if (process.env['ECLAT_SHOTS']) await page.screenshot({ path: `${process.env['ECLAT_SHOTS']}/${plan.what}.png` });
  } catch (e) {
    console.log(`${plan.what}: ${page.url()}\n${(e as Error).message.slice(0, 1200)}`);
    await page.screenshot({ path: `/tmp/presses-${plan.family}.png` });
    console.log((await page.locator('main').innerText()).slice(0, 1500));
    throw e;
  } finally {
    await context.close();
  }
  return hand;
}

console.log('\nPresses of sixteen jobs with one finger, from the counter to the signature');
let failed = 0;
for (const [i, plan] of JOBS.entries()) {
  if (only && !plan.what.includes(only)) continue;
  try {
    const { presses, typed } = await play(plan);
    console.log(
      `  K${JOBS.slice(0, i + 1).filter((p) => !p.another).length}`.padEnd(7) +
        plan.what.padEnd(40) +
        plan.shape.padEnd(12) +
        `${presses} presses, ${typed} of them fields`,
    );
  } catch {
    failed++;
  }
}
await browser.close();
process.exitCode = failed > 0 ? 1 : 0;
