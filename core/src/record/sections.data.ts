import { figure, flag, moment, noted, signed, table, text, texts, values, word, words, type Table } from './columns.ts';

/** A feature’s part of the record: its lists, and the version that says which columns they have. */
export interface Section {
  title: string;
  version: number;
  tables: Readonly<Record<string, Table>>;
}

/**
 * What a signed visit keeps for the movement, feature by feature, beside its service record. A column that is added or
 * changed asks for the section’s next version. The owner, the complaint, prices and telephones have no column here.
 */
export const SECTIONS = {
  movement: {
    title: 'The movement',
    version: 1,
    tables: {
      described: table('Description', 'the description', {
        // Its name, maker and marks stand in its book and on its plates: they are no secret of an owner’s.
        name: word(),
        maker: word('maker'),
        template: word('nearest template'),
        construction: word(),
        oscillator: word(),
        escapement: word('escapement'),
        strike: word('strike'),
        fittings: words('with'),
        windHours: figure('a full wind lasts', 'h'),
        trains: words('trains'),
        sources: words('driven by'),
      }),
      marks: table('Numbers and marks', 'a mark', { place: word(), text: word() }),
      marksTakenOut: table('Marks taken out again', 'a mark', { place: word(), text: word(), ...signed }),
      dating: table('Dating', 'the dating', {
        why: text(),
        notBefore: figure('not before'),
        notAfter: figure('not after'),
        ...signed,
      }),
      absent: table('Looked for, not there', 'what is not there', { what: word(), ...signed }),
      centres: table('Distances of centres', 'the plates', { between: word(), mm: figure('', 'mm') }),
    },
  },
  reception: {
    title: 'As it came',
    version: 1,
    tables: {
      received: table('Came with it', 'what came with it', {
        what: text(),
        count: figure('number'),
        condition: text(),
        squareMm: figure('square', 'mm'),
        fits: word('fits'),
      }),
      wanted: table('Missing when it came', 'what is missing', {
        what: text(),
        evidence: text('shown by'),
        would: text('would do'),
        ended: word('ended'),
        steps: texts('steps'),
        ...signed,
      }),
      alone: table('Came without its clock', 'what it drives', { drives: text('drives'), supply: text('supply') }),
    },
  },
  job: {
    title: 'The job',
    version: 1,
    tables: {
      words: table('Agreed', 'the job', {
        shape: word(),
        terms: word(),
        reason: text('because'),
        expected: text('expected'),
        outcome: text('outcome'),
        offer: text('offer'),
        ...signed,
      }),
      stages: table('Stages', 'what was not done', { stage: word(), state: word(), why: text(), ...signed }),
    },
  },
  assessment: {
    title: 'As found',
    version: 1,
    tables: {
      findings: table('Findings', 'a finding', {
        place: text(),
        seen: text(),
        severity: word(),
        effect: word('touches'),
        proposal: text('proposed'),
        earlierRepair: flag('earlier repair'),
        doNotDisturb: flag('do not disturb'),
        cause: word('cause'),
        follows: word('follows from'),
        overturned: text('found otherwise later'),
        overturnedBy: word('by'),
        ...signed,
      }),
      places: table('Places looked at', 'a place', { place: word(), state: word(), ...signed }),
      measurements: table('Measured', 'a measurement', {
        kind: word(),
        value: figure(),
        within: figure('within ±'),
        how: word('by'),
        says: word(),
        note: text(),
        ...signed,
      }),
    },
  },
  diagnosis: {
    title: 'Cause',
    version: 1,
    tables: {
      cause: table('Cause and prognosis', 'a cause', {
        cause: text(),
        prognosis: text('expected'),
        lookAgainOn: moment('look again'),
      }),
      observations: table('Observed', 'what was observed', { symptom: word(), state: word() }),
      looks: table('Looked for', 'a look', { look: word(), outcome: word(), ...signed }),
      earlier: table('Held before', 'an earlier cause', {
        said: text(),
        of: word('of'),
        why: text('given up because'),
        ...signed,
      }),
    },
  },
  agreement: {
    title: 'Considered and chosen',
    version: 1,
    tables: {
      routes: table('Ways considered', 'a way', {
        route: word(),
        chosen: flag('chosen', 'not chosen'),
        originality: text('originality'),
        guarantee: text('guarantee'),
      }),
      lines: table('Work offered', 'offered work', {
        what: text(),
        state: word(),
        addition: flag('found during the work'),
        noGuarantee: flag('without guarantee'),
      }),
    },
  },
  houseRules: {
    title: 'Otherwise than the rules of the house',
    version: 1,
    tables: {
      differs: table('Departures', 'a departure', { rule: word(), school: word(), reason: text('because'), ...signed }),
    },
  },
  cautions: {
    title: 'Cautions',
    version: 1,
    tables: {
      travel: table('For whoever opens it', 'a caution', { caution: word() }),
      handsOff: table('Do not disturb', 'a finding', { place: text(), seen: text(), at: moment() }),
      read: table('Read before the work', 'a caution', { caution: word(), ...signed }),
    },
  },
  power: {
    title: 'Power',
    version: 1,
    tables: {
      said: table('Sources', 'the power', {
        source: word(),
        state: word(),
        turns: figure('turns let down'),
        setUpTurns: figure('set-up turns'),
        note: text(),
        ...signed,
      }),
      overrides: table('Opened under power', 'an override', { opens: word(), reason: text('because'), ...signed }),
    },
  },
  strip: {
    title: 'Apart and together',
    version: 1,
    tables: {
      steps: table('Came off, in order', 'a strip step', {
        what: text(),
        heldBy: text('held by'),
        place: text('put in'),
        remarks: words(),
        note: text(),
        opens: word('opens'),
        overrideReason: text('under power because'),
        fate: word(),
        fateNote: text(),
        photo: word('photo'),
        recording: word('recording'),
        pass: figure('pass'),
        ...signed,
      }),
      passes: table('Came apart again', 'a pass', {
        reason: text(),
        depth: word('depth'),
        mends: word('mends'),
        cure: text('cure'),
        hours: figure('', 'h'),
        ...signed,
      }),
      phases: table('Phases and marks', 'a phase', {
        what: text(),
        how: text(),
        when: word(),
        photo: word('photo'),
        setBy: word('set by'),
        setAt: moment(),
        ...signed,
      }),
      temporary: table('Put in, or not final', 'what was put in', {
        what: text(),
        kind: word(),
        ended: word('ended'),
        ...signed,
      }),
      custody: table('Was elsewhere', 'what was elsewhere', {
        what: text(),
        withWhom: text('with'),
        forWhat: text('for'),
        state: text('came back'),
        backAt: moment('back'),
        ...signed,
      }),
    },
  },
  cleaning: {
    title: 'Cleaning',
    version: 1,
    tables: {
      runs: table('Runs', 'a cleaning run', {
        name: text(),
        bath: word('bath'),
        parts: texts('of'),
        before: text('before'),
        after: text('after'),
        overrideReason: text('against the caution because'),
        startedAt: moment('begun'),
        stoppedAt: moment('ended'),
        by: word('by'),
      }),
      steps: table('Steps as they went', 'a cleaning run', {
        run: word(),
        what: text(),
        startedAt: moment('begun'),
        endedAt: moment('ended'),
        by: word('by'),
      }),
    },
  },
  survey: {
    title: 'Holes, pivots, teeth',
    version: 1,
    tables: {
      holes: table('Holes', 'the survey of holes', {
        hole: word(),
        verdict: word(),
        judged: word('judged'),
        pivotMm: figure('pivot', 'mm'),
        holeLongMm: figure('hole', 'mm'),
        holeShortMm: figure('by', 'mm'),
        seen: values('play'),
        way: word(),
        wearDeg: figure('worn towards', '°'),
        endShakeMm: figure('end shake', 'mm'),
        spins: flag('spins freely', 'does not spin freely'),
        past: word(),
        computed: word('its figures say'),
        note: text(),
        key: word('key'),
        ...signed,
      }),
      parts: table('Pivots, teeth, clicks, pallets', 'the survey of parts', {
        part: word(),
        state: word(),
        toMm: figure('turned down to', 'mm'),
        note: text(),
        key: word('key'),
        ...signed,
      }),
      platePhotos: table('Holes on the photo of the plate', 'a plate', {
        plate: word(),
        photo: word('photo'),
        points: values('points'),
        ...signed,
      }),
    },
  },
  fitting: {
    title: 'Fitted',
    version: 1,
    tables: {
      bushes: table('Bushes', 'a bush', {
        hole: word(),
        pivotMm: figure('pivot', 'mm'),
        boreMm: figure('bore', 'mm'),
        outsideMm: figure('outside', 'mm'),
        heightMm: figure('height', 'mm'),
        located: word('centre found'),
        off: flag('went off centre, plugged again'),
        endShakeMm: figure('end shake', 'mm'),
        spins: flag('spins freely', 'does not spin freely'),
        note: text(),
        ...signed,
      }),
      parts: table('Parts', 'a part', {
        what: text(),
        quantity: figure('number'),
        kind: word(),
        sizes: values('sizes'),
        size: text(),
        source: word('source'),
        donorCode: word('of movement'),
        why: text('because'),
        oldPart: word('old part'),
        ...signed,
      }),
      work: table('Work on parts that stayed', 'work on a part', {
        part: text(),
        did: text(),
        before: text('before'),
        after: text('after'),
        reversible: flag('can be undone', 'cannot be undone'),
        hole: word('hole'),
        ...signed,
      }),
    },
  },
  casework: {
    title: 'Case, dial, glass',
    version: 1,
    tables: {
      tasks: table('Tasks', 'work on the case', {
        what: text(),
        place: word(),
        product: text('with'),
        origin: word(),
        donorName: text('from'),
        once: flag('cannot be undone'),
        note: text(),
        times: texts('done'),
        doneAt: moment('finished'),
        doneBy: word('by'),
      }),
    },
  },
  conservation: {
    title: 'Conservation',
    version: 1,
    tables: {
      ways: table('Ways considered', 'a conservation decision', {
        about: text(),
        of: word('of'),
        way: text(),
        stands: word(),
        undone: word('can be undone:'),
        why: text('because'),
        owner: flag('the owner agreed'),
        ...signed,
      }),
    },
  },
  pairs: {
    title: 'Before and after',
    version: 1,
    tables: {
      pairs: table('Before and after', 'a caption', { shows: text(), before: word('before'), after: word('after') }),
    },
  },
  drawn: {
    title: 'Drawn on photos',
    version: 1,
    tables: {
      // The point with this number is where it begins.
      drawn: table('Arrows and outlines', 'a mark on a photo', {
        number: figure(),
        shape: word(),
        x: figure('to x'),
        y: figure('to y'),
        photo: word('photo'),
      }),
    },
  },
  benches: {
    title: 'At the benches',
    version: 1,
    tables: { tests: table('Measured and tried', 'a bench', { kind: word(), values: values(), ...signed }) },
  },
  oiling: {
    title: 'Oil',
    version: 1,
    tables: {
      points: table('Points', 'an oil point', {
        where: word(),
        grade: word('grade'),
        product: text(),
        batch: text('batch'),
        dry: flag('left dry'),
        differs: text('otherwise than the chart'),
        ...signed,
      }),
      before: table('Oiled before it was opened again', 'an oil point', {
        where: word(),
        product: text(),
        batch: text('batch'),
        dry: flag('left dry'),
        differs: text('otherwise than the chart'),
        ...signed,
      }),
    },
  },
  assembly: {
    title: 'Checks',
    version: 1,
    tables: {
      checks: table('Checked', 'a check', { what: word(), result: word(), note: text(), detail: noted(), ...signed }),
      before: table('Answered before', 'a check', {
        what: word(),
        result: word(),
        note: text(),
        detail: noted(),
        ...signed,
      }),
      settings: table('Set where it stands', 'a setting', {
        check: word(),
        what: text(),
        way: text(),
        amount: text(),
        ...signed,
      }),
      dryFits: table('Put together dry', 'a dry fit', { train: word(), endedAt: moment('until'), ...signed }),
      dryTries: table('Tried dry', 'a dry fit', { hole: word(), word: word(), cure: text('cure'), ...signed }),
      standRuns: table('Ran with parts off', 'a run with parts off', {
        off: text('off:'),
        watched: text('watched:'),
        found: text('found:'),
        endedAt: moment('until'),
        ...signed,
      }),
      secondLooks: table('Second looks', 'a second look', {
        what: text(),
        of: text('asked of'),
        word: word(),
        note: text(),
        lookedBy: word('looked by'),
        lookedAt: moment(),
        ...signed,
      }),
      closings: table('How the plates went together', 'how the plates went together', {
        corner: word('from'),
        last: text('last'),
        note: text(),
        ...signed,
      }),
    },
  },
  strike: {
    title: 'Strike',
    version: 1,
    tables: {
      struck: table('Heard on the dial', 'the strike', { mark: word(), heard: figure('struck'), ...signed }),
      before: table('Heard before', 'the strike', {
        mark: word(),
        heard: figure('struck'),
        endedAt: moment('until'),
        ...signed,
      }),
      releases: table('Let off', 'the strike', {
        wanted: figure('wanted at', 'min'),
        minute: figure('at', 'min'),
        ...signed,
      }),
    },
  },
  listening: {
    title: 'Heard of its beat',
    version: 1,
    tables: {
      heard: table('Heard', 'what was heard', {
        from: word(),
        beatsPerHour: figure('beats an hour'),
        rateSecondsPerDay: figure('rate', 's a day'),
        rateStandardError: figure('±', 's a day'),
        beatErrorMs: figure('beat error', 'ms'),
        shortSide: word('shorter'),
        amplitudeDegrees: figure('swing', '°'),
        beats: figure('beats'),
        missing: figure('missing'),
        extra: figure('extra'),
        seconds: figure('in', 's'),
        warnings: words(),
        note: text(),
        recording: word('recording'),
        ...signed,
      }),
    },
  },
  testRun: {
    title: 'Test run',
    version: 1,
    tables: {
      run: table('Run', 'the run', {
        place: text('at'),
        readBy: word('read by'),
        startedAt: moment('begun'),
        stands: word(),
        level: flag('level'),
        setter: word('set by'),
        lengthMm: figure('length', 'mm'),
        pitchMm: figure('pitch', 'mm'),
      }),
      readings: table('Readings', 'the run', {
        readAt: moment(),
        errorS: figure('', 's'),
        celsius: figure('', '°C'),
        by: word('by'),
      }),
      events: table('Events', 'the run', {
        kind: word(),
        happenedAt: moment(),
        note: text(),
        detail: noted(),
        by: word('by'),
      }),
    },
  },
  subAssemblies: {
    title: 'Went at their own pace',
    version: 1,
    tables: {
      stages: table('Stages', 'a sub-assembly', { unit: text(), stage: word(), state: word(), why: text(), ...signed }),
      runs: table('Runs', 'a sub-assembly', {
        unit: text(),
        driven: text('driven by'),
        found: text('found:'),
        good: flag('as it should be', 'not as it should be'),
        endedAt: moment('until'),
        ...signed,
      }),
    },
  },
  replacement: {
    title: 'Movement changed',
    version: 1,
    tables: {
      out: table('Came out', 'the replacement', {
        name: text(),
        code: word(),
        why: text('because'),
        fate: word(),
        ...signed,
      }),
      checks: table('Points', 'the replacement', { what: word(), answer: word(), note: text(), ...signed }),
    },
  },
  workings: {
    title: 'Workings',
    version: 1,
    tables: {
      kept: table('Calculated', 'a working', {
        title: word(),
        says: word(),
        input: values('from'),
        result: values('gives'),
        working: word('working'),
        version: figure('version'),
        ...signed,
      }),
    },
  },
  clock: {
    title: 'The clock',
    version: 1,
    tables: {
      in: table('In the clock', 'the clock', {
        // Case, dial and glass have a history of their own, whatever movement is in them.
        clock: word('known as'),
        places: words('its findings, not the movement’s:'),
      }),
    },
  },
  /** Of an entry that says of two movements that they are one, or are two after all. */
  same: {
    title: 'The same movement',
    version: 1,
    tables: {
      linked: table('Found to be one with', 'the other', {
        movement: word('known as'),
        code: word(),
        // Of its book, as it was then: entries that no other had followed.
        heads: words('last entries'),
      }),
      parted: table('Parted again from', 'the other', {
        movement: word('known as'),
        code: word(),
        // They stand in its book, and are not missing in this one.
        left: words('its entries'),
      }),
    },
  },
  /** Of an entry that reads what is written on the clock; what is written there is the text of the entry. */
  inscription: {
    title: 'Inscription',
    version: 1,
    tables: {
      read: table('How it stands there', 'the inscription', {
        carrier: word('on'),
        which: text(),
        how: word(),
        // The entry that was the first in this hand, by its hash.
        sameHandAs: word('same hand as'),
        likely: flag('the hand is likely, not sure'),
        ownHand: flag('written by whoever worked on it now'),
      }),
    },
  },
  photos: {
    title: 'Photos',
    version: 1,
    tables: {
      photos: table('Photos', 'a caption', {
        caption: text(),
        stage: word(),
        hash: word('SHA-256'),
        width: figure('', 'px'),
        height: figure('by', 'px'),
        ...signed,
      }),
      points: table('Points on them', 'a point on a photo', {
        number: figure(),
        note: text(),
        finding: word('finding'),
        photo: word('photo'),
        x: figure('x'),
        y: figure('y'),
      }),
    },
  },
  recordings: {
    title: 'Recordings',
    version: 1,
    tables: {
      recordings: table('Recordings', 'a caption', {
        caption: text(),
        kind: word(),
        seconds: figure('', 's'),
        sampleRate: figure('at', 'Hz'),
        hash: word('SHA-256'),
        ...signed,
      }),
    },
  },
  people: {
    title: 'Who did what',
    version: 1,
    tables: { people: table('People', 'a name', { name: word(), did: words() }) },
  },
} as const satisfies Record<string, Section>;

export type SectionName = keyof typeof SECTIONS;
export const SECTION_NAMES = Object.keys(SECTIONS) as [SectionName, ...SectionName[]];
