/**
 * Method and path of every door, without the schemas: a screen that only asks needs no validator, and loads without it.
 * Written by `npm run formats` from the contract; a test holds it to it.
 */
export const doors = {
  people: {
    session: { method: 'GET', path: '/session' },
    signIn: { method: 'PUT', path: '/session' },
    signOut: { method: 'DELETE', path: '/session' },
    firstRun: { method: 'PUT', path: '/first-run' },
    list: { method: 'GET', path: '/people' },
    add: { method: 'POST', path: '/people' },
  },
  find: {
    anything: { method: 'GET', path: '/find' },
  },
  owners: {
    search: { method: 'GET', path: '/owners' },
    clocks: { method: 'GET', path: '/owners/:ownerId/clocks' },
    change: { method: 'PATCH', path: '/owners/:ownerId' },
  },
  movements: {
    search: { method: 'GET', path: '/movements' },
    book: { method: 'GET', path: '/movements/:movementId' },
    inscribe: { method: 'POST', path: '/movements/:movementId/inscriptions' },
    amend: { method: 'POST', path: '/history/:entryId/amendments' },
  },
  bench: {
    list: { method: 'GET', path: '/bench' },
    timers: { method: 'GET', path: '/timers' },
  },
  visits: {
    open: { method: 'POST', path: '/visits' },
    get: { method: 'GET', path: '/visits/:visitId' },
    change: { method: 'PATCH', path: '/visits/:visitId' },
    stage: { method: 'PUT', path: '/visits/:visitId/stages/:stage' },
    caution: { method: 'PUT', path: '/visits/:visitId/cautions/:caution' },
    addPhoto: { method: 'POST', path: '/visits/:visitId/photos' },
    sign: { method: 'POST', path: '/visits/:visitId/signature' },
  },
  findings: {
    add: { method: 'POST', path: '/visits/:visitId/findings' },
    change: { method: 'PATCH', path: '/visits/:visitId/findings/:findingId' },
    remove: { method: 'DELETE', path: '/visits/:visitId/findings/:findingId' },
  },
  diagnosis: {
    observe: { method: 'PUT', path: '/visits/:visitId/observations/:symptom' },
    look: { method: 'PUT', path: '/visits/:visitId/looks/:look' },
    settle: { method: 'PUT', path: '/visits/:visitId/cause' },
  },
  powerDown: {
    set: { method: 'PUT', path: '/visits/:visitId/power/:train' },
    strip: { method: 'POST', path: '/visits/:visitId/strip' },
  },
  cleaning: {
    start: { method: 'POST', path: '/visits/:visitId/baths' },
    stop: { method: 'PUT', path: '/visits/:visitId/baths/:bathId/stopped' },
  },
  survey: {
    set: { method: 'PUT', path: '/visits/:visitId/holes/:hole' },
  },
  fitting: {
    addBush: { method: 'POST', path: '/visits/:visitId/bushes' },
    addPart: { method: 'POST', path: '/visits/:visitId/parts' },
  },
  oiling: {
    tick: { method: 'PUT', path: '/visits/:visitId/oil/:point' },
    untick: { method: 'DELETE', path: '/visits/:visitId/oil/:point' },
  },
  testRuns: {
    start: { method: 'POST', path: '/visits/:visitId/testrun' },
    read: { method: 'POST', path: '/visits/:visitId/testrun/readings' },
    event: { method: 'POST', path: '/visits/:visitId/testrun/events' },
    forget: { method: 'DELETE', path: '/visits/:visitId/testrun/readings/:readingId' },
  },
  workings: {
    list: { method: 'GET', path: '/workings' },
    run: { method: 'POST', path: '/workings/:working' },
    keep: { method: 'POST', path: '/visits/:visitId/workings' },
    drop: { method: 'DELETE', path: '/visits/:visitId/workings/:keptId' },
  },
} as const;
