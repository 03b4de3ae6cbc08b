// @vitest-environment jsdom
import type { TestRun } from '@eclat/contract';
import { checksFor } from '@eclat/core/checks';
import { familyById } from '@eclat/core/movement';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useLocation } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AssemblyScreen } from './AssemblyScreen.tsx';
import { DeliveryScreen } from '../delivery/DeliveryScreen.tsx';
import { follow } from '../../app/navigation.ts';
import { TestRunScreen } from '../test-run/TestRunScreen.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

vi.mock('../test-run/RateChart.tsx', () => ({ default: () => null }));
const person = userEvent.setup();
const button = (name: string | RegExp) => screen.getByRole('button', { name });
const ON_TEST: TestRun = {
  id: 't1',
  startedAt: by.at,
  readBy: 'seconds hand',
  place: 'stand 1',
  readings: [],
  events: [],
  conditions: null,
};

beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const Where = () => <p data-testid="where">{useLocation().pathname}</p>;

describe('checks as it goes together', () => {
  it('begin with what comes first, and are passed with one press', async () => {
    show(AssemblyScreen, visitOf('quarter-chime'));
    const first = checksFor(familyById('quarter-chime').traits, 'assemble')[0]!;
    await person.click(button(`Passed: ${first.what}`));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: `/api/visits/v1/checks/${first.id}`,
        body: { result: 'passed', note: '' },
      }),
    );
  });

  it('fail only with words, and then stand in the way of the stage', async () => {
    show(AssemblyScreen, visitOf('quarter-chime'));
    await person.click(button(/^Failed: Drum in phase/));
    const sheet = within(screen.getByRole('dialog'));
    const keep = sheet.getByRole('button', { name: 'It failed' }) as HTMLButtonElement;
    await person.type(sheet.getByLabelText('What was wrong'), '  ');
    expect(keep.disabled).toBe(true);
    await person.type(sheet.getByLabelText('What was wrong'), 'a quarter out');
    await person.click(keep);
    await waitFor(() => expect(sent[0]!.body).toEqual({ result: 'failed', note: 'a quarter out', detail: null }));
    cleanup();

    // It comes apart only where that is said, and as deep as the check lies.
    show(AssemblyScreen, visitOf('quarter-chime'));
    await person.click(button(/^Failed: Rack falls/));
    const rack = within(screen.getByRole('dialog'));
    await person.type(rack.getByLabelText('What was wrong'), 'catches');
    await person.click(rack.getByRole('radio', { name: 'Apart again' }));
    expect(rack.getByText(/The trains may stay wound/)).toBeTruthy();
    await person.click(rack.getByRole('radio', { name: 'earlier work' }));
    await person.click(rack.getByRole('button', { name: 'It failed' }));
    await waitFor(() =>
      expect(sent.at(-1)!.body).toMatchObject({ apart: { depth: 'dial side', mends: 'earlier work' } }),
    );
    cleanup();

    const drum = { check: 'drum', result: 'failed' as const, note: 'a quarter out', detail: null, ...by };
    show(AssemblyScreen, visitOf('quarter-chime', { checks: [drum] }));
    expect(answer()).toContain('Failed: Drum in phase with its release');
    await person.type(screen.getByLabelText('What was moved'), 'drum');
    await person.type(screen.getByLabelText('How much'), 'one tooth{Enter}');
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({
        url: '/api/visits/v1/checks/drum/settings',
        body: { what: 'drum', way: '', amount: 'one tooth' },
      }),
    );
    expect((button(/^Assemble is done/) as HTMLButtonElement).disabled).toBe(true);
    cleanup();

    show(AssemblyScreen, visitOf('quarter-chime', { checks: [{ ...drum, result: 'passed' }] }));
    expect((button(/^Assemble is done/) as HTMLButtonElement).disabled).toBe(false);
  });

  it('are only shown once the visit is closed', () => {
    show(
      AssemblyScreen,
      visitOf('quarter-chime', {
        closedAt: by.at,
        checks: [{ check: 'drum', result: 'not applicable', note: 'taken out', detail: null, ...by }],
      }),
    );
    expect(screen.getByText(/taken out/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^(Passed|Failed|Take back): / })).toBeNull();
  });

  it('drive the moon through its cycle: fast presses are one word to the server, and a fouling is named', async () => {
    const moon = {
      check: 'moon',
      result: 'under way' as const,
      note: '',
      detail: { of: 59, done: 40, fouled: [] },
      ...by,
    };
    const visit = visitOf('longcase', { checks: [moon] });
    visit.movement = {
      ...visit.movement,
      traits: { ...visit.movement.traits, fittings: [...visit.movement.traits.fittings, 'moon work'] },
    };
    show(AssemblyScreen, visit);
    const drive = within(screen.getByRole('group', { name: 'Driven by hand' }));
    // In one breath, however slow the machine is.
    for (let i = 0; i < 3; i++) fireEvent.click(drive.getByRole('button', { name: 'One step on' }));
    expect(drive.getByRole('status').textContent).toContain('43 of 59: second moon, first quarter');
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({ result: 'under way', note: '', detail: { of: 59, done: 43, fouled: [] } });
    await person.type(drive.getByLabelText('On what'), 'hour hand');
    await person.click(drive.getByRole('button', { name: 'It fouls here' }));
    await person.click(drive.getByRole('button', { name: /^It failed/ }));
    await waitFor(() =>
      expect(sent.at(-1)!.body).toMatchObject({ result: 'failed', note: 'fouls at 43 of 59 (hour hand)' }),
    );
  });

  it('count windings against what belongs there; what was pressed is sent when the page is left', async () => {
    const since = Date.now() - 80_000;
    const wound = {
      check: 'f-flag',
      result: 'under way' as const,
      note: '',
      detail: { windings: [0, 20_000, 40_000, 60_000].map((t) => new Date(since + t).toISOString()) },
      ...by,
    };
    const test = {
      kind: 'contact' as const,
      what: 'rewind',
      state: 'clean' as const,
      dwellMs: null,
      periodS: null,
      perMinute: null,
      expectedPerMinute: 1.5,
      note: '',
    };
    const visit = visitOf('electric-master', {
      checks: [wound],
      testRun: ON_TEST,
      benchTests: [{ id: 'e1', test, of: 'visit', version: 1, ...by }],
    });
    show(TestRunScreen, visit);
    const counted = within(screen.getByRole('group', { name: 'Windings counted' }));
    expect(counted.getByRole('status').textContent).toBe(
      '4 windings, one every 20.0 s (3.00 a minute), scatter 0.0 s; too often, 1.5 a minute belong there',
    );
    await person.click(counted.getByRole('button', { name: 'It winds now' }));
    cleanup();
    await waitFor(() =>
      expect(sent.map((s) => (s.body['detail'] as { windings: string[] }).windings.length)).toEqual([5]),
    );
  });

  it('whoever is on the way elsewhere is not pulled along when the stage is done', async () => {
    let says: (state: { navigation: { state: string } }) => void = () => {};
    follow({
      subscribe: (f: typeof says) => {
        says = f;
        return () => {};
      },
    } as unknown as Parameters<typeof follow>[0]);
    const Foot = () => (
      <>
        <StageFoot stage="diagnose" />
        <Where />
      </>
    );
    show(Foot, visitOf('mantel-barrels'));
    says({ navigation: { state: 'loading' } });
    await person.click(button(/^Diagnose is done/));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(screen.getByTestId('where').textContent).toBe('/');
    says({ navigation: { state: 'idle' } });
    await person.click(button(/^Diagnose is done/));
    await waitFor(() => expect(screen.getByTestId('where').textContent).toBe('/visits/v1/agree'));
  });

  it('stand at the delivery with the caution at its step', () => {
    show(DeliveryScreen, visitOf('longcase'));
    expect(answer()).toContain('Next: Wall or shelf is firm');
    const item = screen.getByText('Wall or shelf is firm and carries the weight').closest('li')!;
    expect(within(item).getByText(/local rules/)).toBeTruthy();
  });
});
