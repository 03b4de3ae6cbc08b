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
    record: { method: 'GET', path: '/movements/:movementId/record' },
    inscribe: { method: 'POST', path: '/movements/:movementId/inscriptions' },
    mark: { method: 'PUT', path: '/movements/:movementId/marks' },
    like: { method: 'GET', path: '/movements-like' },
    merge: { method: 'POST', path: '/movements/:movementId/merger' },
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
  counter: {
    answer: { method: 'PUT', path: '/visits/:visitId/answers/:question' },
    addReceived: { method: 'POST', path: '/visits/:visitId/received' },
    changeReceived: { method: 'PATCH', path: '/visits/:visitId/received/:receivedId' },
    removeReceived: { method: 'DELETE', path: '/visits/:visitId/received/:receivedId' },
    giveBack: { method: 'PUT', path: '/visits/:visitId/received/:receivedId/returned' },
    want: { method: 'POST', path: '/visits/:visitId/wanted' },
    endWant: { method: 'PUT', path: '/visits/:visitId/wanted/:wantedId' },
    alone: { method: 'PUT', path: '/visits/:visitId/alone' },
    callback: { method: 'PUT', path: '/visits/:visitId/callback' },
  },
  assess: {
    look: { method: 'PUT', path: '/visits/:visitId/places/:place' },
    measure: { method: 'POST', path: '/visits/:visitId/measurements' },
    unmeasure: { method: 'DELETE', path: '/visits/:visitId/measurements/:measurementId' },
    date: { method: 'POST', path: '/movements/:movementId/dating' },
    undate: { method: 'DELETE', path: '/movements/:movementId/dating/:evidenceId' },
    type: { method: 'GET', path: '/movements/:movementId/type' },
    pictures: { method: 'GET', path: '/movements/:movementId/photos' },
  },
  photos: {
    change: { method: 'PATCH', path: '/visits/:visitId/photos/:photoId' },
    mark: { method: 'PUT', path: '/visits/:visitId/photos/:photoId/marks/:markId' },
    unmark: { method: 'DELETE', path: '/visits/:visitId/photos/:photoId/marks/:markId' },
  },
  agree: {
    addLine: { method: 'POST', path: '/visits/:visitId/lines' },
    changeLine: { method: 'PATCH', path: '/visits/:visitId/lines/:lineId' },
    removeLine: { method: 'DELETE', path: '/visits/:visitId/lines/:lineId' },
    decide: { method: 'PUT', path: '/visits/:visitId/lines/:lineId/decision' },
    offerRoute: { method: 'PUT', path: '/visits/:visitId/routes/:route' },
    dropRoute: { method: 'DELETE', path: '/visits/:visitId/routes/:route' },
    chooseRoute: { method: 'PUT', path: '/visits/:visitId/route' },
    link: { method: 'PUT', path: '/visits/:visitId/link' },
    unlink: { method: 'DELETE', path: '/visits/:visitId/link' },
    answer: { method: 'PUT', path: '/visits/:visitId/questions/:questionId' },
    promise: { method: 'GET', path: '/visits/:visitId/promise' },
    prices: { method: 'GET', path: '/prices' },
    setPrices: { method: 'PUT', path: '/prices' },
  },
  forOwner: {
    page: { method: 'GET', path: '/for-owner/:token' },
    decide: { method: 'PUT', path: '/for-owner/:token/lines/:lineId' },
    choose: { method: 'PUT', path: '/for-owner/:token/route' },
    ask: { method: 'PUT', path: '/for-owner/:token/questions/:questionId' },
  },
  knowing: {
    get: { method: 'GET', path: '/causes' },
    add: { method: 'POST', path: '/causes' },
    remove: { method: 'DELETE', path: '/causes/:cause' },
    learn: { method: 'PUT', path: '/causes/learning' },
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
