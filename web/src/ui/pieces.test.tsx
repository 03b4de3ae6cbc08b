// @vitest-environment jsdom
import { act, cleanup, createEvent, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { STAGE_IDS } from '@eclat/core/workflow';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { StageRack } from '../features/bench/StageRack.tsx';
import { Decades } from '../features/movements/Decades.tsx';
import { PlateFigure } from '../features/survey/PlateFigure.tsx';
import { familyById } from '@eclat/core/movement';
import type { BenchRow, Entry } from '@eclat/contract';
import { Choice } from './Choice.tsx';
import { countdown } from './dates.ts';
import { LengthField, lengthMm } from './LengthField.tsx';
import { PowerBadge } from './PowerBadge.tsx';
import { StageWheel } from './StageWheel.tsx';
import { useAppState } from '../data/app-state.ts';
import { useKeys } from './useKeys.ts';

afterEach(cleanup);
const person = userEvent.setup();

describe('a field for lengths', () => {
  const Field = ({ onEnter }: { onEnter: () => void }) => {
    const [value, setValue] = useState('');
    return <LengthField name="pivot" label="Pivot" value={value} onChange={setValue} onEnter={onEnter} />;
  };

  it('goes on at Enter, as a caliper types it, but only with a length', async () => {
    const onEnter = vi.fn();
    render(<Field onEnter={onEnter} />);
    await person.type(screen.getByLabelText('Pivot'), '1,2x{Enter}');
    expect(onEnter).not.toHaveBeenCalled();
    expect(screen.getByText(/is not a unit here/)).toBeTruthy();
    await person.clear(screen.getByLabelText('Pivot'));
    await person.type(screen.getByLabelText('Pivot'), '1,22{Enter}');
    expect(onEnter).toHaveBeenCalledOnce();
    expect(screen.getByText('1.220 mm')).toBeTruthy();
  });

  it('asks between thousandths and millimetres, and takes the answer', async () => {
    const onEnter = vi.fn();
    render(<Field onEnter={onEnter} />);
    await person.type(screen.getByLabelText('Pivot'), '48{Enter}');
    expect(onEnter).not.toHaveBeenCalled();
    expect(lengthMm('48')).toBeNull();
    await person.click(screen.getByRole('button', { name: /48 thousandths/ }));
    expect((screen.getByLabelText('Pivot') as HTMLInputElement).value).toBe('48 thou');
    expect(screen.queryByText('Which is meant?')).toBeNull();
  });
});

describe('one of a few', () => {
  const options = [
    ['sound', 'sound'],
    ['bush', 'bush'],
  ] as const;
  it('says which is chosen, and gives it back when it is pressed again', async () => {
    const onChange = vi.fn();
    const onClear = vi.fn();
    render(<Choice label="Verdict" value="bush" options={options} onChange={onChange} onClear={onClear} />);
    expect(screen.getByRole('radio', { name: 'bush' }).getAttribute('aria-checked')).toBe('true');
    await person.click(screen.getByRole('radio', { name: 'sound' }));
    expect(onChange).toHaveBeenCalledWith('sound');
    await person.click(screen.getByRole('radio', { name: 'bush' }));
    expect(onClear).toHaveBeenCalledOnce();
  });
});

describe('figures say in words what they show', () => {
  it('the wheel', () => {
    render(
      <StageWheel stages={STAGE_IDS.map((stage, i) => ({ stage, state: i < 4 ? 'done' : 'open' }))} current="power" />,
    );
    expect(screen.getByRole('img', { name: '4 of 14 stages done, now Power down' })).toBeTruthy();
  });

  it('the power state by word and by shape, never by colour alone', () => {
    const shapes = (['unknown', 'wound', 'contained', 'let down'] as const).map((state) => {
      const { container, unmount } = render(<PowerBadge label="strike" state={state} />);
      expect(container.textContent).toBe(`strike ${state}`);
      const drawn = container.querySelector('svg')!.innerHTML;
      unmount();
      return drawn;
    });
    expect(new Set(shapes).size).toBe(4);
  });

  it('the plates: each hole a button with its name and state', async () => {
    const onChoose = vi.fn();
    const { traits } = familyById('fusee');
    render(
      <PlateFigure
        traits={traits}
        plate="back"
        chosen={null}
        onChoose={onChoose}
        stateOf={(key) => (key === 'T2.back' ? 'bush' : 'not looked at')}
      />,
    );
    expect(screen.getAllByRole('button')).toHaveLength(5);
    await person.tab(); // one stop for the plate
    const second = screen.getByRole('button', { name: 'T2 centre wheel, back: bush' });
    for (const arrow of ['Down', 'Up', 'Left', 'Right'] as const)
      for (let i = 0; i < 5 && document.activeElement !== second; i++) await person.keyboard(`{Arrow${arrow}}`);
    await person.keyboard('{Enter}');
    expect(onChoose).toHaveBeenCalledWith('T2.back');
  });

  it('the line of decades: a point for a day, a bar for what is not known, and a place for what has no date', () => {
    const entry = (date: string, kind: Entry['kind'] = 'inscription'): Entry => ({
      id: date,
      kind,
      date,
      title: `T ${date}`,
      text: '',
      place: '',
      shop: '',
      signedBy: '',
      record: null,
      sections: {},
      unread: [],
      log: null,
      amends: null,
      takenOver: null,
      copyOf: null,
      proof: 'unsigned',
      signature: null,
      hash: 'x',
      writtenAt: '',
    });
    const { container } = render(<Decades entries={[entry('189X'), entry('1912-03-07', 'visit'), entry('XXXX')]} />);
    const links = screen.getAllByRole('link');
    expect(links.map((l) => l.getAttribute('aria-label'))).toEqual([
      'undated: T XXXX',
      '1890s, year illegible: T 189X',
      '7 March 1912: T 1912-03-07',
    ]);
    const bars = links.map((l) => l.querySelectorAll('line').length - 1);
    expect(bars).toEqual([0, 1, 0]);
    expect(container.textContent).toContain('undated');
  });
});

describe('the rack of stages', () => {
  const row = (stage: BenchRow['next']['stage']) => ({ next: { stage, text: '', urgency: 'next' } }) as BenchRow;
  it('counts the clocks at each stage, and a second press shows all again', async () => {
    const onChoose = vi.fn();
    const { rerender } = render(
      <StageRack rows={[row('clean'), row('clean'), row('oil')]} chosen={null} onChoose={onChoose} />,
    );
    await person.click(screen.getByRole('button', { name: 'Clean: 2 clocks' }));
    expect(onChoose).toHaveBeenLastCalledWith('clean');
    rerender(<StageRack rows={[row('clean')]} chosen="clean" onChoose={onChoose} />);
    const chosen = within(screen.getByRole('group')).getByRole('button', { pressed: true });
    await person.click(chosen);
    expect(onChoose).toHaveBeenLastCalledWith(null);
  });
});

describe('one key of two meanings', () => {
  it('is the screen’s, whichever of the two came first; where the screen has none, it is the frame’s', async () => {
    const said: string[] = [];
    const Hole = () => (useKeys({ n: () => said.push('not reached'), t: () => said.push('tight') }), null);
    const Frame = ({ hole }: { hole: boolean }) => {
      useKeys({ n: () => said.push('take in'), b: () => said.push('bench') }, 'frame');
      return hole ? <Hole /> : null;
    };
    const { rerender } = render(<Frame hole />);
    await person.keyboard('n');
    rerender(<Frame hole={false} />);
    await person.keyboard('nt');
    rerender(<Frame hole />);
    await person.keyboard('nb');
    expect(said).toEqual(['not reached', 'take in', 'not reached', 'bench']);
  });
});

/** Types at a pace of its own, milliseconds from key to key, whatever the machine does meanwhile. */
function typist() {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  let now = performance.now();
  const wait = (ms: number) => {
    now += ms;
    act(() => void vi.advanceTimersByTime(ms));
  };
  const press = (key: string) => {
    const event = createEvent.keyDown(document.activeElement!, { key });
    Object.defineProperty(event, 'timeStamp', { value: now });
    const at = fireEvent(document.activeElement!, event) && document.activeElement;
    if (at instanceof HTMLInputElement && key.length === 1) fireEvent.input(at, { target: { value: at.value + key } });
  };
  const type = (keys: string, apart: number) => {
    for (const key of keys.match(/\{\w+\}|./g)!) {
      wait(apart);
      press(key.replace(/[{}]/g, ''));
    }
  };
  return { wait, type };
}

describe('keys', () => {
  afterEach(() => {
    vi.useRealTimers();
    fireEvent.pointerDown(document.body); // whatever was typed is over
  });
  it('work on the page and not while a field is typed in', async () => {
    const go = vi.fn();
    const actions = { b: go };
    const Page = () => {
      useKeys(actions);
      return <input aria-label="field" />;
    };
    render(<Page />);
    await person.keyboard('b');
    expect(go).toHaveBeenCalledOnce();
    await person.type(screen.getByLabelText('field'), 'bb');
    await person.keyboard('{Control>}b{/Control}');
    expect(go).toHaveBeenCalledOnce();
  });
  it(
    'are no figures that were meant for a field, until something else is pressed; and none at all when ' +
      'switched off',
    async () => {
      const stage = vi.fn();
      const actions = { '2': stage, m: stage };
      const Page = () => {
        useKeys(actions);
        return <input aria-label="field" />;
      };
      render(<Page />);
      await person.type(screen.getByLabelText('field'), '1{Enter}');
      screen.getByLabelText('field').blur();
      await person.keyboard('2.2{Enter}2');
      // Its unit as slowly as a person, or a slow machine, types it.
      for (const key of ' mm') {
        await new Promise((later) => setTimeout(later, 100));
        await person.keyboard(key);
      }
      expect(stage).not.toHaveBeenCalled();
      await person.keyboard('m');
      expect(stage).toHaveBeenCalledOnce();
      stage.mockClear();
      await person.click(document.body);
      await person.keyboard('2');
      await waitFor(() => expect(stage).toHaveBeenCalledOnce());
      act(() => {
        useAppState.setState({ singleKeys: false });
      });
      await person.keyboard('2');
      await new Promise((soon) => setTimeout(soon, 300));
      expect(stage).toHaveBeenCalledOnce();
    },
  );
  it('are not pressed by a caliper that types on no field: the next figure that is empty has it', async () => {
    const stage = vi.fn();
    const kept = vi.fn();
    const Page = () => {
      useKeys({ '1': stage, '5': stage });
      const [typed, setTyped] = useState(['0.9', '', '']);
      return (
        <main tabIndex={-1}>
          {typed.map((value, i) => (
            <input
              key={i}
              inputMode="decimal"
              aria-label={`figure ${i}`}
              value={value}
              onChange={(e) => setTyped(typed.with(i, e.target.value))}
              onKeyDown={(e) => e.key === 'Enter' && kept(i, e.currentTarget.value)}
            />
          ))}
        </main>
      );
    };
    render(<Page />);
    const on = () => document.querySelector('main')!.focus();
    await person.click(document.body);
    const device = typist();
    on();
    device.type('1.20{Enter}', 100);
    expect(kept).toHaveBeenLastCalledWith(1, '1.20');
    on();
    device.wait(200);
    device.type('5{Enter}', 4); // one digit is a figure too
    expect(kept).toHaveBeenLastCalledWith(2, '5');
    on();
    device.wait(200);
    device.type('C-1015', 4); // a label that is scanned is neither
    device.wait(200);
    expect(stage).not.toHaveBeenCalled();
    expect(screen.getByLabelText<HTMLInputElement>('figure 0').value).toBe('0.9');
    on();
    device.type('15', 200); // a person presses one shortcut, then another
    device.wait(200);
    expect(stage).toHaveBeenCalledTimes(2);
  });
});

it.each([
  [0, '0:00'],
  [59_001, '1:00'],
  [425_000, '7:05'],
  [3_729_000, '1:02:09'],
  [-5, '0:00'],
])('%d ms to go is %s', (ms, want) => expect(countdown(ms)).toBe(want));
