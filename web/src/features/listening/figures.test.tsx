// @vitest-environment jsdom
import { startStrike, stepStrike, type StrikeState, type Work } from '@eclat/core/strike';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { StrikeFigure } from '../strike/StrikeFigure.tsx';
import { Arcs } from './Arcs.tsx';
import { balanceOf } from './sides.ts';

afterEach(cleanup);

describe('the two arcs', () => {
  const meeting = (longerMs: number) => {
    const { container } = render(
      <Arcs
        balance={balanceOf({ tickToTockMs: 500 + longerMs, tockToTickMs: 500 - longerMs }, null, false)}
        faint={false}
        empty=""
      />,
    );
    const ring = container.querySelector('circle')!;
    return { x: Number(ring.getAttribute('cx')), y: Number(ring.getAttribute('cy')) };
  };

  it('meet under the mark when it is in beat, and move towards the short side', () => {
    const middle = meeting(0).x;
    expect(middle).toBe(200);
    expect(meeting(-8).x).toBeLessThan(middle);
    expect(meeting(8).x).toBeGreaterThan(middle);
  });

  it('mirror each other', () => {
    const [left, right] = [meeting(-12), meeting(12)];
    expect(left.x + right.x).toBeCloseTo(400, 0);
    expect(left.y).toBeCloseTo(right.y, 0);
  });

  it('move most where it matters: the first per cent further than the tenth', () => {
    const step = (a: number, b: number) => Math.hypot(meeting(b).x - meeting(a).x, meeting(b).y - meeting(a).y);
    expect(step(0, 5)).toBeGreaterThan(2 * step(45, 50));
  });

  it('say in words what they show, and what is missing', () => {
    render(
      <Arcs balance={balanceOf({ tickToTockMs: 530, tockToTickMs: 470 }, 'left', false)} faint={false} empty="" />,
    );
    expect(screen.getByRole('img', { name: 'Right side short, 30 ms' })).toBeTruthy();
    cleanup();
    render(<Arcs balance={null} faint={false} empty="Not listening" />);
    expect(screen.getByRole('img', { name: 'Not listening' })).toBeTruthy();
  });
});

describe('the drawn striking work', () => {
  const after = (work: Work, fault: string, steps: number) => {
    let state: StrikeState = startStrike(work, fault);
    for (let i = 0; i < steps; i++) state = stepStrike(state);
    return state;
  };
  const said = (state: StrikeState) => {
    render(<StrikeFigure state={state} />);
    return screen.getByRole('img').getAttribute('aria-label');
  };

  it('says where its lever and its rack are', () => {
    expect(said(after('rack', 'none', 0))).toContain('The lever is down');
    cleanup();
    expect(said(after('rack', 'none', 1))).toContain('The lever is up. Rack down by 1');
    cleanup();
    expect(said(after('count wheel', 'none', 1))).not.toContain('Rack');
  });
});
