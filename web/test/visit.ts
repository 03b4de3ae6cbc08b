import type { Visit } from '@eclat/contract';
import { powerOf, stagesOf } from '@eclat/core/workflow';
import { AS_USUAL, familyById } from '@eclat/core/movement';

export const AT = '2031-05-02T09:00:00.000Z';
export const by = { by: 'Ines Calloway', at: AT };

/** A visit of a family as the server would send it, on its first day; what differs is given. */
export function visitOf(family: string, change: Partial<Visit> = {}): Visit {
  const { traits } = familyById(family);
  return {
    id: 'v1',
    claim: 'C-1001',
    version: 1,
    openedAt: AT,
    closedAt: null,
    complaint: 'Stops.',
    wanted: '',
    notWanted: '',
    outOfScope: '',
    answers: [],
    promisedFor: null,
    owner: { id: 'o1', name: 'Odile Tarrowby', phone: '', email: '', address: '', version: 1 },
    clock: { id: 'c1', description: 'A clock' },
    movement: {
      id: 'm1',
      code: 'M-222222',
      name: 'A movement',
      familyId: family,
      maker: '',
      marks: [],
      traits,
      plates: AS_USUAL,
      version: 1,
      dating: [],
      absent: [],
    },
    received: [],
    wantedThings: [],
    alone: null,
    callbackOf: null,
    earlier: [],
    places: [],
    measurements: [],
    handsOff: [],
    rules: { version: 0, held: {}, differs: [] },
    agreement: {
      lines: [],
      routes: [],
      chosen: null,
      link: null,
      questions: [],
      prices: { hourlyRate: '50', taxPercent: '20', pricesIncludeTax: true, currency: 'crowns', hoursPerWeek: 30 },
    },
    job: { shape: 'overhaul', terms: 'guaranteed', trial: null, ownStock: false, log: [] },
    stages: stagesOf({ shape: 'overhaul', ownStock: false }, []).map((s) => ({ ...s, by: '', at: null })),
    photos: [],
    recordings: [],
    findings: [],
    observations: {},
    looks: [],
    cause: '',
    power: powerOf(traits, []).map(({ source, kind, label, name }) => ({
      ...{ source, kind, label, name },
      state: 'unknown',
      turns: null,
      setUpTurns: null,
      note: '',
      by: '',
      at: null,
      version: 1,
      earlier: [],
    })),
    cautions: [],
    strip: { begun: null, steps: [], passes: [], phases: [], temporary: [], custody: [] },
    baths: [],
    holes: [],
    gone: [],
    partConditions: [],
    platePhotos: [],
    lastSurvey: null,
    time: [],
    work: [],
    bushes: [],
    parts: [],
    casework: [],
    electric: [],
    replacement: { checks: {}, out: null },
    oiled: [],
    earlierOiled: [],
    checks: [],
    earlierChecks: [],
    settings: [],
    standRuns: [],
    overrides: [],
    keptWords: [],
    units: [],
    struck: [],
    struckBefore: [],
    releases: [],
    heard: [],
    testRun: null,
    workings: [],
    next: { stage: 'intake', text: '', urgency: 'next', beside: false },
    entryId: null,
    ...change,
  };
}

/** The same with every source of power let down. */
export const safeVisitOf: typeof visitOf = (family, change) => {
  const visit = visitOf(family, change);
  return { ...visit, power: visit.power.map((p) => ({ ...p, state: 'let down', ...by })) };
};
