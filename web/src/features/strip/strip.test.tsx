// @vitest-environment jsdom
import type { StripStep, Visit } from '@eclat/contract';
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAppState } from '../../data/app-state.ts';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, safeVisitOf, visitOf } from '../../../test/visit.ts';
import { AssemblyScreen } from '../assembly/AssemblyScreen.tsx';
import { HolePanel } from '../survey/HolePanel.tsx';
import { useSurvey } from '../survey/useSurvey.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { holesOf, familyById } from '@eclat/core/movement';
import { PlanRun } from '../cleaning/PlanRun.tsx';
import StageRules from '../house-rules/StageRules.tsx';
import { StripScreen } from './StripScreen.tsx';

const person = userEvent.setup();
beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const step = (what: string, change: Partial<StripStep> = {}): StripStep => ({
  id: what,
  version: 1,
  pass: 1,
  what,
  heldBy: 'screw',
  place: 'tub 1',
  remarks: [],
  note: '',
  group: '',
  photoId: null,
  recordingId: null,
  opens: null,
  overrideReason: '',
  fate: 'apart',
  fateNote: '',
  fateBy: '',
  fateAt: null,
  ...by,
  ...change,
});
const begun = by;
const visit = (strip: Partial<Visit['strip']>, family = 'mantel-barrels'): Visit => {
  const v = visitOf(family);
  const power = v.power.map((p) => ({ ...p, state: 'let down' as const }));
  return { ...v, power, strip: { ...v.strip, begun, ...strip } };
};

describe('the strip log', () => {
  it('takes a press for what, what held it and where it goes; the place stays for the next', async () => {
    show(StripScreen, visit({ steps: [step('hands', { place: 'tub 2' })] }));
    await person.click(
      within(screen.getByRole('group', { name: 'Usually next' })).getByRole('button', { name: 'dial' }),
    );
    await person.click(
      within(screen.getByRole('group', { name: 'Held by' })).getByRole('button', { name: 'taper pin' }),
    );
    await person.click(screen.getByRole('button', { name: 'left-hand thread' }));
    await person.click(screen.getByRole('button', { name: 'Log it' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'POST',
        url: '/api/visits/v1/steps',
        body: { what: 'dial', heldBy: 'taper pin', place: 'tub 2', remarks: ['left-hand'] },
      }),
    );
    await waitFor(() => expect((screen.getByLabelText('What') as HTMLInputElement).value).toBe(''));
    expect((screen.getByLabelText('Another place') as HTMLInputElement).value).toBe('tub 2');
  });
  it('logs from the keyboard: a chip, then Enter', async () => {
    show(StripScreen, visit({ steps: [step('hands', { place: 'tub 2' })] }));
    within(screen.getByRole('group', { name: 'Usually next' }))
      .getByRole('button', { name: 'dial' })
      .focus();
    await person.keyboard('{Enter}');
    await person.keyboard('{Enter}');
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ what: 'dial', place: 'tub 2' }));
  });
  it('asks what it opens while a train is wound, and wants it safe or a reason from the escapement on', async () => {
    const v = visit({});
    const wound = { ...v, power: v.power.map((p) => ({ ...p, state: 'wound' as const })) };
    show(StripScreen, wound);
    expect(answer()).toContain('The going train is wound, the strike train is wound');
    await person.type(screen.getByLabelText('What'), 'platform');
    expect(screen.queryByLabelText('Or why it is opened under power')).toBeNull();
    await person.click(screen.getByRole('radio', { name: 'hands and dial' }));
    expect(screen.queryByLabelText('Or why it is opened under power')).toBeNull();
    await person.click(screen.getByRole('radio', { name: 'escapement' }));
    expect(screen.getByRole('link', { name: 'Make it safe first' })).toBeTruthy();
    await person.type(screen.getByLabelText('Or why it is opened under power'), 'Train blocked by hand.');
    await person.click(screen.getByRole('button', { name: 'Log it' }));
    await waitFor(() =>
      expect(sent[0]!.body).toMatchObject({ opens: 'escapement', overrideReason: 'Train blocked by hand.' }),
    );
  });
  it('offers a whole train onto its wire once the plates are parted, and takes it back', async () => {
    show(StripScreen, visit({ steps: [step('hands')] }));
    expect(screen.queryByRole('group', { name: 'A whole train' })).toBeNull();
    cleanup();
    standIn({ '/steps/train': { steps: ['a', 'b'] } });
    show(StripScreen, visit({ steps: [step('front plate'), step('strike fly')] }));
    await person.click(screen.getByRole('button', { name: /^strike train onto its wire, 5 parts$/i }));
    await waitFor(() => expect(sent[0]!.body).toEqual({ train: 'strike', place: 'strike wire' }));
    await waitFor(() => expect(useAppState.getState().notice?.text).toBe('All onto the strike wire.'));
    act(() => useAppState.getState().notice!.undo!());
    await waitFor(() =>
      expect(sent[1]).toMatchObject({ url: '/api/visits/v1/steps/remove', body: { steps: ['a', 'b'] } }),
    );
  });

  it('notes what is not final in one press, and asks only whether it is final', async () => {
    const loose = { id: 't1', what: 'hands not pinned', kind: 'not final' as const, ended: null, ...by };
    show(AssemblyScreen, visit({ temporary: [loose] }));
    // What stands on it already is not offered again.
    const usual = screen.getByRole('group', { name: 'Usually: not final yet' });
    expect(within(usual).queryByRole('button', { name: 'hands not pinned' })).toBeNull();
    await person.click(within(usual).getByRole('button', { name: 'nuts finger-tight' }));
    await waitFor(() => expect(sent[0]!.body).toEqual({ what: 'nuts finger-tight', kind: 'not final' }));
    const is = screen.getByRole('radiogroup', { name: 'hands not pinned is' });
    expect(
      within(is)
        .getAllByRole('radio')
        .map((r) => r.textContent),
    ).toEqual(['final']);
    await person.click(within(is).getByRole('radio', { name: 'final' }));
    await waitFor(() =>
      expect(sent[1]).toMatchObject({ url: '/api/visits/v1/temporary/t1', body: { ended: 'final' } }),
    );
  });

  it('answers where a thing is', async () => {
    show(StripScreen, visit({ steps: [step('strike third wheel', { place: 'strike rack' }), step('hands')] }));
    await person.type(screen.getByLabelText('Where is …?'), 'strike third');
    expect(screen.getByText('strike rack', { selector: 'b' })).toBeTruthy();
    await person.clear(screen.getByLabelText('Where is …?'));
    await person.type(screen.getByLabelText('Where is …?'), 'moon');
    expect(screen.getByText('Nothing like that is logged.')).toBeTruthy();
  });
  it('says of a riveted movement that it stays whole, and offers no wheels', () => {
    show(StripScreen, visit({}, 'riveted-alarm'));
    expect(answer()).toContain('does not come apart');
    expect(screen.queryByRole('button', { name: 'front plate' })).toBeNull();
  });
  it('sends back to power down first, and opens a pass only with a reason', async () => {
    show(StripScreen, visit({ begun: null }));
    expect(answer()).toContain('The strip has not begun');
    cleanup();
    show(StripScreen, visit({}));
    const open = screen.getByRole('button', { name: 'Open a pass' }) as HTMLButtonElement;
    expect(open.disabled).toBe(true);
    await person.type(screen.getByLabelText('It has to come apart again, because'), 'strike runs on');
    await person.click(open);
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v1/passes', body: { reason: 'strike runs on' } }),
    );
  });
});

describe('assembly', () => {
  it('names what goes on next and where it is, the last off first', async () => {
    show(
      AssemblyScreen,
      visit({
        steps: [
          step('hands'),
          step('motion work', { place: 'mesh cage' }),
          step('dial', { fate: 'on again', fateBy: 'x' }),
        ],
      }),
    );
    expect(answer()).toContain('Next on: motion work');
    expect(answer()).toContain('mesh cage');
    expect(answer()).toContain('1 of 3 accounted for');
    await person.click(screen.getByRole('button', { name: 'On again: motion work' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: '/api/visits/v1/steps/motion%20work/fate',
        body: { fate: 'on again' },
      }),
    );
    expect((screen.getByRole('button', { name: /Assemble is done/ }) as HTMLButtonElement).disabled).toBe(true);
  });
  it('wants words for what was lost here', async () => {
    show(AssemblyScreen, visit({ steps: [step('click')] }));
    await person.click(screen.getByRole('button', { name: 'Not fitted: click' }));
    await person.click(screen.getByRole('radio', { name: 'lost or damaged here' }));
    expect((screen.getByRole('button', { name: 'Save it' }) as HTMLButtonElement).disabled).toBe(true);
    await person.type(screen.getByLabelText('In words'), 'sprang away');
    await person.click(screen.getByRole('button', { name: 'Save it' }));
    await waitFor(() => expect(sent[0]!.body).toEqual({ fate: 'lost or damaged here', note: 'sprang away' }));
  });
  it('puts the phases that must be set first before the plates close', () => {
    show(
      AssemblyScreen,
      visit({
        phases: [
          {
            id: 'p',
            what: 'Warning wheel',
            how: 'half a turn',
            when: 'before the plates close',
            photoId: 'ph1',
            setBy: '',
            setAt: null,
            ...by,
          },
          { id: 'q', what: 'Moon', how: '', when: 'outside', photoId: null, setBy: '', setAt: null, ...by },
        ],
      }),
    );
    expect(answer()).toContain('Before the plates close: Warning wheel');
    expect(answer()).not.toContain('Moon');
    expect(screen.getByRole('img', { name: 'How it stood: Warning wheel' }).getAttribute('src')).toContain('ph1');
  });
});

describe('house rules at the work', () => {
  const ruled = (held: Record<string, string>) => {
    const v = safeVisitOf('mantel-barrels');
    return { ...v, rules: { version: 1, held, differs: [] } };
  };
  it('choose the bath and its minutes', async () => {
    show(PlanRun, ruled({ bath: 'detergent', 'bath-time': 'medium' }));
    expect((screen.getByLabelText('Bath') as HTMLSelectElement).value).toBe('detergent');
    await person.click(screen.getByRole('button', { name: /^plates/ }));
    await person.click(screen.getByRole('button', { name: 'Begin the run' }));
    await waitFor(() => expect(sent[0]!.body).toMatchObject({ bath: 'detergent', minutes: 15 }));
  });
  it('bush a marginal hole or leave it', async () => {
    const hole = holesOf(familyById('mantel-barrels').traits).find((h) => h.key === 'T2.back')!;
    const Panel = () => <HolePanel hole={hole} measured={undefined} survey={useSurvey(useThisVisit())} />;
    const type = async () => {
      for (const [label, value] of [
        ['Pivot', '1.6'],
        ['Long way', '1.78'],
        ['Short way', '1.72'],
      ] as const)
        await person.type(screen.getByLabelText(label), value);
    };
    show(Panel, ruled({}));
    await type();
    expect(screen.getByText(/By house rule it is bushed/)).toBeTruthy();
    expect(screen.getByRole('radio', { name: 'bush' }).getAttribute('aria-checked')).toBe('true');
    cleanup();
    show(Panel, ruled({ 'which-holes': 'failed' }));
    await type();
    expect(screen.getByRole('radio', { name: 'marginal' }).getAttribute('aria-checked')).toBe('true');
  });
  it('are differed from with a reason only, for this clock only', async () => {
    show(() => <StageRules visit={ruled({})} stage="oil" />, visitOf('fusee'));
    expect(screen.getAllByText('dry', { selector: 'b' }).length).toBe(2); // rack, and teeth

    await person.click(screen.getByRole('button', { name: 'Set for this clock: Rack, snail, lifting pieces?' }));
    await person.click(screen.getByRole('radio', { name: /a trace of oil/ }));
    const differ = screen.getByRole('button', { name: 'Set for this clock' }) as HTMLButtonElement;
    expect(differ.disabled).toBe(true);
    await person.type(screen.getByLabelText('The reason'), 'Rust on the snail.');
    await person.click(differ);
    await waitFor(() =>
      expect(sent[0]).toMatchObject({
        method: 'PUT',
        url: '/api/visits/v1/rules/rack',
        body: { school: 'trace', reason: 'Rust on the snail.' },
      }),
    );
  });
});
