import { describe, expect, it } from 'vitest';
import { asksOwner, sameChoice, unsaid, USUAL_WAYS, wayStands, type Undone, type Way } from './index.ts';

const way = (name: string, undone: Undone, chosen = false, why = ''): Way => ({ way: name, undone, chosen, why });
const LEAVE = way('Leave it as it is', 'yes');

describe('ways of treating an old thing', () => {
  it('call nothing reversible that takes material away or adds what does not come out', () => {
    // Cleaning and refinishing remove; a consolidant is taken out only in part: common practice in conservation (the
    // principle of reversibility as the ICOM-CC resolution of 2008 has it), from memory.
    const of = new Map(USUAL_WAYS.map((w) => [w.way, w.undone]));
    expect(of.get('Clean it')).toBe('no');
    expect(of.get('Renew the finish')).toBe('no');
    expect(of.get('Hold what is loose')).toBe('in part');
    expect(of.get('Leave it as it is')).toBe('yes');
    // The one that does nothing stands first: nobody has to look for it.
    expect(USUAL_WAYS[0]!.way).toBe('Leave it as it is');
  });
});

describe('a decision', () => {
  it('asks the owner only where what is chosen cannot be undone', () => {
    expect(asksOwner([LEAVE, way('Strip and wax it', 'no')])).toBe(false);
    expect(asksOwner([LEAVE, way('Strip and wax it', 'no', true)])).toBe(true);
    expect(asksOwner([LEAVE, way('Hold the flakes', 'in part', true)])).toBe(false);
  });

  it('keeps a yes of the owner to the way that it was given to, and to nothing that was made of it since', () => {
    const stripped = [LEAVE, way('Strip it', 'no', true)];
    expect(sameChoice(stripped, [way('Strip it', 'no', true, 'It flakes'), way('Wax it', 'in part')])).toBe(true);
    expect(sameChoice(stripped, [LEAVE, way('Sand it', 'no', true)])).toBe(false);
    expect(sameChoice([LEAVE, way('Wax it', 'in part', true)], [LEAVE, way('Wax it', 'no', true)])).toBe(false);
    expect(sameChoice([LEAVE], stripped)).toBe(false);
  });

  it('wants a reason where something gentler was there, and none where the gentlest was chosen', () => {
    expect(unsaid([LEAVE, way('Strip it', 'no', true)])).toEqual(['Say why: “Leave it as it is” could be undone.']);
    expect(unsaid([LEAVE, way('Strip it', 'no', true, 'The owner lives with it')])).toEqual([]);
    expect(unsaid([{ ...LEAVE, chosen: true }, way('Strip it', 'no')])).toEqual([]);
    expect(unsaid([way('Hold it', 'in part'), way('Strip it', 'no', true)])[0]).toContain('could partly be undone');
  });

  it('says that one way alone is no choice, and what stands of each', () => {
    expect(unsaid([way('Strip it', 'no')])).toEqual(['Say what else could be done.', 'Nothing is chosen yet.']);
    const open = [LEAVE, way('Clean it', 'no')];
    expect(open.map((w) => wayStands(w, open))).toEqual(['considered', 'considered']);
    const ended = [{ ...LEAVE, chosen: true }, way('Clean it', 'no')];
    expect(ended.map((w) => wayStands(w, ended))).toEqual(['chosen', 'rejected']);
  });
});
