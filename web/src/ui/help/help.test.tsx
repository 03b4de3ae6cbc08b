// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, expect, it } from 'vitest';
import { Help } from './Help.tsx';
import { HELP } from './HelpSheet.tsx';
import { HELP_TITLES } from './titles.ts';

afterEach(cleanup);

it('a question mark opens two sentences, and Escape gives the focus back to it', async () => {
  const keys = userEvent.setup();
  render(<Help about="beat" />);
  await keys.tab();
  await keys.keyboard('{Enter}');
  const sheet = await screen.findByRole('dialog', { name: 'The two arcs' });
  expect(sheet.textContent).toContain('stops short of the mark');
  await keys.keyboard('{Escape}');
  await waitFor(() => expect(document.activeElement).toBe(screen.getByRole('button', { name: 'About: The two arcs' })));
});

it('each that is written stands at a figure or a rule, and says two sentences', () => {
  const features = join(import.meta.dirname, '../../features');
  const files = readdirSync(features, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.tsx'));
  const asked = files.flatMap((f) =>
    [...readFileSync(join(features, f), 'utf8').matchAll(/<Help about="(\w+)"/g)].map((m) => m[1]),
  );
  expect(asked.sort()).toEqual(Object.keys(HELP_TITLES).sort());
  for (const { says } of Object.values(HELP)) for (const sentence of says) expect(sentence).toMatch(/^[A-Z][^.]*\.$/);
});
