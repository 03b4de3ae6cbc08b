import { walkOf } from '@eclat/core/assess';
import { allChecks } from '@eclat/core/checks';
import { oilChart } from '@eclat/core/oiling';
import { partsToSurvey } from '@eclat/core/pivots';
import { RULES } from '@eclat/core/rules';
import type { Visit } from '@eclat/contract';

/** When the first of it is made. Each change after it is made ten seconds later. */
export const BEGUN = Date.parse('2031-05-02T08:00:00Z');
/** Seconds into its test run. */
const into = (v: Visit, s: number) => new Date(Date.parse(v.testRun!.startedAt) + s * 1000).toISOString();
const first = (v: Visit) => allChecks(v.movement.traits)[0]!;

const MARK = '7d0c3f5e-3a55-4a0e-9c51-0b8f2f6f6b10';
const AN_HOUR = ['2031-05-02T07:00:00.000Z', '2031-05-02T08:00:00.000Z'] as const;
const COIL = { kind: 'coil', what: 'drive coil', ohms: 300, expectedOhms: null, atC: null };
const RULE = RULES[0]!;
const OTHER = RULE.schools.find((s) => s.id !== RULE.ours)!.id;

/** One change: its route, and what is sent, of the visit as it stands. */
export type Made = [route: string, given?: { params?: Record<string, string>; body?: object; query?: object }];

const felt = { size: { kind: 'felt' }, pivotMm: null };
const caliper = { kind: 'measured', holeLongMm: 1.31, holeShortMm: 1.25 };
/** A day at the bench, change by change. */
export const DAY: ((v: Visit) => Made)[] = [
  () => ['notes.add', { body: { text: 'Bell loose on its stand.' } }],
  (v) => ['notes.remove', { params: { noteId: v.notes[0]!.id } }],
  () => ['visit.readCaution', { params: { caution: 'wound-spring' } }],
  ...[0, 1].map((n) => (v: Visit): Made => [
    'powerDown.set',
    {
      params: { source: v.power[n]!.source },
      body: { state: 'let down', turns: 3.5, version: v.power[n]!.version },
    },
  ]),
  (v) => [
    'powerDown.set',
    { params: { source: v.power[0]!.source }, body: { state: 'contained', version: v.power[0]!.version } },
  ],
  () => ['powerDown.beginStrip', { body: {} }],
  () => [
    'assessment.addFinding',
    {
      body: {
        ...{ place: 'back plate', seen: 'Punched round the third hole', severity: 'stops it', effect: 'striking' },
        hours: 1.5,
      },
    },
  ],
  (v) => [
    'assessment.changeFinding',
    { params: { findingId: v.findings[0]!.id }, body: { hours: null, version: v.findings[0]!.version } },
  ],
  (v) => ['assessment.overturnFinding', { params: { findingId: v.findings[0]!.id }, body: { why: 'A factory bush.' } }],
  (v) => ['assessment.removeFinding', { params: { findingId: v.findings[0]!.id } }],
  () => ['photos.add', { query: { stage: 'strip', caption: 'Strike side' } }],
  (v) => [
    'strip.addStep',
    { body: { what: 'hands', place: 'tub 1', photoId: v.photos[0]!.id, opens: 'hands and dial' } },
  ],
  (v) => [
    'strip.changeStep',
    { params: { stepId: v.strip.steps[0]!.id }, body: { note: 'bent', version: v.strip.steps[0]!.version } },
  ],
  (v) => ['strip.setFate', { params: { stepId: v.strip.steps[0]!.id }, body: { fate: 'replaced', note: 'new pair' } }],
  (v) => ['strip.setFate', { params: { stepId: v.strip.steps[0]!.id }, body: { fate: 'apart' } }],
  () => ['strip.addStep', { body: { what: 'dial' } }],
  (v) => ['strip.moveStep', { params: { stepId: v.strip.steps[1]!.id }, body: { position: 0 } }],
  (v) => ['strip.removeStep', { params: { stepId: v.strip.steps[0]!.id } }],
  () => ['strip.addPhase', { body: { what: 'Strike warning', when: 'outside' } }],
  (v) => ['strip.setPhase', { params: { phaseId: v.strip.phases[0]!.id }, body: { set: true } }],
  () => ['strip.addTemporary', { body: { what: 'tie round the spring' } }],
  (v) => ['strip.endTemporary', { params: { temporaryId: v.strip.temporary[0]!.id }, body: { ended: 'taken out' } }],
  () => ['strip.giveOut', { body: { what: 'fly', withWhom: 'the turner' } }],
  (v) => ['strip.takeBack', { params: { custodyId: v.strip.custody[0]!.id }, body: { back: true, state: 'turned' } }],
  () => ['strip.addStep', { body: { what: 'front plate', opens: 'plates' } }],
  () => ['survey.setHole', { params: { hole: 'T2.front' }, body: { ...felt, verdict: 'sound', version: 0 } }],
  () => [
    'survey.setHole',
    { params: { hole: 'T2.front' }, body: { pivotMm: 1.2, size: caliper, verdict: 'bush', version: 1 } },
  ],
  () => ['survey.setRestSound', { body: { holes: ['T2.front', 'T2.back', 'T3.front', 'T3.back'], way: 'train' } }],
  () => ['survey.clearRest', { body: { holes: ['T3.front', 'T2.front'] } }],
  () => ['survey.removeHole', { params: { hole: 'T2.back' } }],
  (v) => ['photos.change', { params: { photoId: v.photos[0]!.id }, body: { caption: 'The strike side' } }],
  (v) => [
    'assembly.setCheck',
    { params: { check: first(v).id }, body: { result: 'failed', note: 'Tight at the barrel.' } },
  ],
  (v) => ['assembly.addSetting', { params: { check: first(v).id }, body: { what: 'front plate' } }],
  (v) => ['assembly.setCheck', { params: { check: first(v).id }, body: { result: 'passed' } }],
  (v) => ['assembly.removeCheck', { params: { check: first(v).id } }],
  (v) => ['oiling.setPoint', { params: { point: oilChart(v.movement.traits)[0]!.id }, body: { product: 'clock oil' } }],
  (v) => [
    'oiling.setPoint',
    { params: { point: oilChart(v.movement.traits)[0]!.id }, body: { dry: true, differs: 'A sealed hole.' } },
  ],
  (v) => ['oiling.removePoint', { params: { point: oilChart(v.movement.traits)[0]!.id } }],
  (v) => ['survey.setSound', { body: { parts: partsToSurvey(v.movement.traits).map((p) => p.key) } }],
  (v) => {
    const part = v.partConditions.find((p) => p.key.startsWith('pivot'))!;
    return ['survey.setPart', { params: { part: part.key }, body: { state: 'scored', version: part.version } }];
  },
  (v) => [
    'assessment.setPlace',
    { params: { place: walkOf(v.movement.traits)[0]!.place }, body: { state: 'in order' } },
  ],
  (v) => ['assessment.setPlace', { params: { place: walkOf(v.movement.traits)[0]!.place }, body: { state: null } }],
  () => [
    'cleaning.start',
    {
      body: {
        sequence: 'ultrasonic',
        bath: 'ammoniated water',
        parts: [{ name: 'plates', materials: ['bare brass'] }],
        minutes: 5,
      },
    },
  ],
  (v) => ['cleaning.step', { params: { bathId: v.baths[0]!.id }, body: { to: 'next', version: v.baths[0]!.version } }],
  (v) => ['cleaning.stop', { params: { bathId: v.baths[0]!.id }, body: { after: 'Bright.' } }],
  (v) => ['strip.addTrain', { body: { train: v.movement.traits.trains[0]!.id, place: 'wire 1' } }],
  (v) => ['strip.removeSteps', { body: { steps: v.strip.steps.slice(-2).map((s) => s.id) } }],
  () => ['visit.setStage', { params: { stage: 'strip' }, body: { state: 'left', why: 'As agreed.' } }],
  () => ['testRun.start', { body: { readBy: 'seconds hand', place: 'shelf 2' } }],
  (v) => ['testRun.addReading', { body: { readAt: into(v, 3), errorS: 2 } }],
  (v) => ['testRun.addReading', { body: { readAt: into(v, 1), errorS: -3.5, celsius: 19 } }],
  (v) => ['testRun.removeReading', { params: { readingId: v.testRun!.readings[0]!.id } }],
  (v) => ['testRun.addEvent', { body: { kind: 'wound', happenedAt: into(v, 2) } }],
  () => ['testRun.setConditions', { body: { stands: 'in its case', level: true, setter: null } }],
];

/** The other changes that can be taken back, one of each and of what takes it out; on a clock whose power is down. */
export const REST: ((v: Visit) => Made)[] = [
  () => ['reception.answer', { params: { question: 'runs' }, body: { answer: 'two days' } }],
  () => ['reception.answer', { params: { question: 'runs' }, body: { answer: 'a day' } }],
  () => ['reception.addReceived', { body: { what: 'Pendulum', condition: 'bob dented' } }],
  (v) => [
    'reception.changeReceived',
    { params: { receivedId: v.received.at(-1)!.id }, body: { count: 2, version: v.received.at(-1)!.version } },
  ],
  (v) => ['reception.removeReceived', { params: { receivedId: v.received.at(-1)!.id } }],
  (v) => ['reception.returnReceived', { params: { receivedId: v.received.at(-1)!.id }, body: { returned: true } }],
  () => ['reception.addWanted', { body: { what: 'Bell', evidence: 'two empty holes' } }],
  (v) => [
    'reception.changeWanted',
    { params: { wantedId: v.wantedThings[0]!.id }, body: { what: 'Bell', would: 'any of 70 mm' } },
  ],
  (v) => ['reception.addWantedStep', { params: { wantedId: v.wantedThings[0]!.id }, body: { step: 'looked for' } }],
  (v) => [
    'reception.removeWantedStep',
    { params: { wantedId: v.wantedThings[0]!.id, stepId: v.wantedThings[0]!.steps[0]!.id } },
  ],
  (v) => ['reception.removeWanted', { params: { wantedId: v.wantedThings[0]!.id } }],
  () => ['reception.cameAlone', { body: { alone: { drives: 'a dial', supply: '', borrowed: '' } } }],
  () => ['assessment.addMeasurement', { body: { kind: 'free-run', value: 2, how: 'watched' } }],
  (v) => ['assessment.removeMeasurement', { params: { measurementId: v.measurements[0]!.id } }],
  () => ['diagnosis.observe', { params: { symptom: 'dead' }, body: { state: 'present' } }],
  () => ['diagnosis.observe', { params: { symptom: 'dead' }, body: { state: null } }],
  () => ['diagnosis.recordLook', { params: { look: 'worn-hole.going' }, body: { outcome: 'found' } }],
  () => ['diagnosis.nameCause', { body: { cause: 'Worn holes' } }],
  () => ['diagnosis.nameCause', { body: { cause: 'Old oil', why: 'The holes are sound.' } }],
  () => ['agreement.addLine', { body: { kind: 'part', what: 'Suspension spring', quantity: '1', price: '12,50' } }],
  (v) => [
    'agreement.changeLine',
    { params: { lineId: v.agreement.lines[0]!.id }, body: { quantity: '2', version: v.agreement.lines[0]!.version } },
  ],
  () => [
    'agreement.offerRoute',
    { params: { route: 'partial' }, body: { originality: 'All stays.', guarantee: 'None.' } },
  ],
  () => [
    'agreement.offerRoute',
    { params: { route: 'partial' }, body: { originality: 'All stays.', guarantee: 'A year.' } },
  ],
  () => ['agreement.removeRoute', { params: { route: 'partial' } }],
  (v) => ['agreement.removeLine', { params: { lineId: v.agreement.lines[0]!.id } }],
  () => ['strip.addPhase', { body: { what: 'Strike warning', when: 'outside' } }],
  (v) => ['strip.removePhase', { params: { phaseId: v.strip.phases[0]!.id } }],
  (v) => [
    'survey.setPart',
    { params: { part: partsToSurvey(v.movement.traits)[0]!.key }, body: { state: 'scored', version: 0 } },
  ],
  (v) => ['survey.removePart', { params: { part: partsToSurvey(v.movement.traits)[0]!.key } }],
  () => ['photos.add', { query: { stage: 'survey', caption: 'Front plate' } }],
  () => ['photos.add', { query: { stage: 'survey', caption: 'Back plate' } }],
  (v) => ['photos.change', { params: { photoId: v.photos[1]!.id }, body: { position: 0 } }],
  (v) => [
    'photos.change',
    { params: { photoId: v.photos[0]!.id }, body: { beforeId: v.photos[1]!.id, caption: 'The back plate' } },
  ],
  (v) => [
    'photos.setMark',
    { params: { photoId: v.photos[0]!.id, markId: MARK }, body: { x: 0.4, y: 0.2, note: 'here' } },
  ],
  (v) => [
    'photos.setMark',
    {
      params: { photoId: v.photos[0]!.id, markId: MARK },
      body: { x: 0.5, y: 0.2, shape: 'arrow', to: { x: 0.7, y: 0.4 }, note: 'here' },
    },
  ],
  (v) => ['photos.removeMark', { params: { photoId: v.photos[0]!.id, markId: MARK } }],
  (v) => [
    'survey.setPlatePhoto',
    {
      params: { plate: 'front' },
      body: { photoId: v.photos[0]!.id, points: { 'T2.front': { x: 0.1, y: 0.2 } }, version: 0 },
    },
  ],
  (v) => [
    'survey.setPlatePhoto',
    { params: { plate: 'front' }, body: { photoId: v.photos[0]!.id, points: {}, version: v.platePhotos[0]!.version } },
  ],
  () => ['survey.removePlatePhoto', { params: { plate: 'front' } }],
  () => ['fitting.addWork', { body: { part: 'lifting lever', did: 'straightened', before: 'bent 2 mm' } }],
  (v) => ['fitting.removeWork', { params: { workId: v.work[0]!.id } }],
  () => ['fitting.addBush', { body: { hole: 'T2.back', pivotMm: 1.2, boreMm: 1.23, outsideMm: 2.5, heightMm: 2 } }],
  (v) => [
    'fitting.setBush',
    { params: { bushId: v.bushes[0]!.id }, body: { pivotMm: 1.2, boreMm: 1.24, outsideMm: 2.5, heightMm: 2 } },
  ],
  (v) => ['fitting.removeBush', { params: { bushId: v.bushes[0]!.id } }],
  () => ['fitting.addPart', { body: { what: 'Suspension spring', source: 'new', oldPart: 'scrapped' } }],
  (v) => [
    'fitting.setPart',
    { params: { partId: v.parts[0]!.id }, body: { what: 'Suspension spring', source: 'new', oldPart: 'lost' } },
  ],
  (v) => ['fitting.removePart', { params: { partId: v.parts[0]!.id } }],
  () => ['assembly.startDryFit', { body: { train: null } }],
  () => ['assembly.addDryTry', { body: { hole: 'T2.back', word: 'drags' } }],
  (v) => ['assembly.setDryCure', { params: { tryId: v.dryTries[0]!.id }, body: { cure: 'opened a touch' } }],
  (v) => ['assembly.removeDryTry', { params: { tryId: v.dryTries[0]!.id } }],
  () => ['assembly.askLook', { body: { what: 'The bushes' } }],
  (v) => ['assembly.removeLook', { params: { lookId: v.secondLooks[0]!.id } }],
  () => ['assembly.addClosing', { body: { corner: 'lower left', last: 'the fly' } }],
  (v) => ['assembly.removeClosing', { params: { closingId: v.closings[0]!.id } }],
  (v) => ['assembly.setCheck', { params: { check: first(v).id }, body: { result: 'failed', note: 'Tight.' } }],
  (v) => ['assembly.addSetting', { params: { check: first(v).id }, body: { what: 'front plate' } }],
  (v) => ['assembly.removeSetting', { params: { check: first(v).id, settingId: v.settings[0]!.id } }],
  () => ['strike.setHeard', { params: { mark: 'h3' }, body: { heard: 4 } }],
  () => ['strike.setHeard', { params: { mark: 'h3' }, body: { heard: 3 } }],
  () => ['strike.addRelease', { body: { wanted: 0, minute: 1.5 } }],
  (v) => ['strike.removeRelease', { params: { releaseId: v.releases[0]!.id } }],
  () => [
    'listening.add',
    {
      body: {
        ...{ stage: 'run', from: 'file', beatsPerHour: 8400, rateSecondsPerDay: 12, rateStandardError: 1 },
        ...{ beatErrorMs: 2, shortSide: 'neither', amplitudeDegrees: null, beats: 100, missing: 0, extra: 0 },
        ...{ seconds: 43, warnings: [] },
      },
    },
  ],
  (v) => ['listening.remove', { params: { heardId: v.heard[0]!.id } }],
  () => ['signing.keepWord', { body: { word: 'Cooper', why: 'The maker’s name.' } }],
  (v) => ['signing.dropWord', { params: { wordId: v.keptWords[0]!.id } }],
  () => ['casework.add', { body: { place: 'case', what: 'Glue the plinth', times: 2, waitHours: 1 } }],
  (v) => [
    'casework.change',
    { params: { taskId: v.casework[0]!.id }, body: { product: 'hide glue', version: v.casework[0]!.version } },
  ],
  () => ['casework.add', { body: { place: 'case', what: 'Fit the door' } }],
  (v) => ['casework.move', { params: { taskId: v.casework[1]!.id }, body: { position: 0 } }],
  (v) => ['casework.move', { params: { taskId: v.casework[0]!.id }, body: { position: 1 } }],
  (v) => ['casework.remove', { params: { taskId: v.casework[1]!.id } }],
  (v) => ['casework.setDone', { params: { taskId: v.casework[0]!.id }, body: { done: true } }],
  (v) => ['casework.setDone', { params: { taskId: v.casework[0]!.id }, body: { done: false } }],
  (v) => ['casework.remove', { params: { taskId: v.casework[0]!.id } }],
  () => ['casework.add', { body: { place: 'dial', what: 'Dust it' } }],
  (v) => [
    'casework.setTime',
    { params: { taskId: v.casework[0]!.id }, body: { did: true, version: v.casework[0]!.version } },
  ],
  () => [
    'conservation.add',
    { body: { about: 'the old lacquer', ways: [{ way: 'Leave it', undone: 'yes', chosen: true }] } },
  ],
  (v) => [
    'conservation.change',
    {
      params: { decisionId: v.conservation[0]!.id },
      body: { about: 'the lacquer', version: v.conservation[0]!.version },
    },
  ],
  (v) => ['conservation.remove', { params: { decisionId: v.conservation[0]!.id } }],
  () => ['benches.add', { body: { test: COIL } }],
  (v) => [
    'benches.change',
    {
      params: { testId: v.benchTests[0]!.id },
      body: { test: { ...COIL, ohms: 310 }, version: v.benchTests[0]!.version },
    },
  ],
  (v) => ['benches.remove', { params: { testId: v.benchTests[0]!.id } }],
  () => ['replacement.setCheck', { params: { check: 'shaft' }, body: { answer: 'no', note: 'longer by 3 mm' } }],
  () => ['replacement.setCheck', { params: { check: 'shaft' }, body: { answer: null } }],
  () => ['subAssemblies.add', { body: { name: 'print work' } }],
  (v) => [
    'subAssemblies.setStage',
    { params: { unitId: v.units[0]!.id, stage: 'strip' }, body: { state: 'left', why: 'As agreed.' } },
  ],
  (v) => ['subAssemblies.remove', { params: { unitId: v.units[0]!.id } }],
  () => ['houseRules.differ', { params: { question: RULE.id }, body: { school: OTHER, reason: 'The owner asked.' } }],
  () => ['houseRules.differ', { params: { question: RULE.id }, body: { school: OTHER, reason: 'As it was.' } }],
  () => ['houseRules.keep', { params: { question: RULE.id } }],
  () => [
    'benchTime.put',
    { params: { timeId: MARK }, body: { stage: 'strip', startedAt: AN_HOUR[0], endedAt: AN_HOUR[1] } },
  ],
  () => ['benchTime.remove', { params: { timeId: MARK } }],
  (v) => ['visit.change', { body: { wanted: 'Only the strike.', promisedFor: '2031-06-01', version: v.version } }],
  () => [
    'visit.setJob',
    { body: { shape: 'partial', terms: 'no guarantee', trial: null, reason: 'The owner wants less.' } },
  ],
  () => ['workings.keep', { body: { working: 'mass', stage: 'fit', input: { typed: '1 lb' } } }],
  (v) => ['workings.remove', { params: { keptId: v.workings[0]!.id } }],
  () => ['strip.openPass', { body: { reason: 'The warning is late.' } }],
  () => ['strip.closePass', { params: { pass: '2' }, body: { cure: 'Warning wheel set', hours: 1 } }],
  () => [
    'cleaning.start',
    {
      body: {
        ...{ sequence: 'ultrasonic', bath: 'ammoniated water', minutes: 5 },
        parts: [{ name: 'plates', materials: ['bare brass'] }],
      },
    },
  ],
  (v) => [
    'cleaning.setBasket',
    {
      params: { bathId: v.baths[0]!.id },
      body: {
        parts: ['plates', 'wheels'].map((name) => ({ name, materials: ['bare brass'] })),
        version: v.baths[0]!.version,
      },
    },
  ],
  () => ['recordings.add', { query: { stage: 'strip', kind: 'remark' } }],
  () => ['testRun.start', { body: { readBy: 'seconds hand', place: 'shelf 2' } }],
  () => ['testRun.setConditions', { body: { stands: 'in its case', level: true, setter: null } }],
  () => ['testRun.setConditions', { body: { stands: 'on a stand', level: true, setter: null } }],
  (v) => ['testRun.addEvent', { body: { kind: 'wound', happenedAt: into(v, 2) } }],
  (v) => ['testRun.removeEvent', { params: { eventId: v.testRun!.events[0]!.id } }],
];
