export interface Kind {
  name: string;
  states: readonly (readonly [state: string, asks: string])[];
}

/**
 * What is looked at beside the holes, and how it can be found. `asks` is the work that follows; empty where nothing
 * does. Practice.
 */
export const PART_KINDS = {
  pivot: {
    name: 'pivot',
    states: [
      ['sound', ''],
      ['scored', 'polish or burnish'],
      ['worn', 'turn down and burnish'],
      ['bent', 'straighten'],
      ['broken', 'repivot'],
    ],
  },
  polish: {
    name: 'pivot polish',
    states: [['polished', '']],
  },
  shake: {
    name: 'end shake',
    states: [
      ['right', ''],
      ['too much', 'take it up, with a bush left proud'],
      ['none', 'free it: the arbor binds lengthways'],
    ],
  },
  depth: {
    name: 'depth',
    states: [
      ['right', ''],
      ['too deep', 'move the centre out: plug and again'],
      ['too shallow', 'move the centre in: plug and again'],
    ],
  },
  teeth: {
    name: 'wheel teeth and pinion leaves',
    states: [
      ['sound', ''],
      ['bent', 'straighten'],
      ['worn', 'move the wheel or renew'],
      ['broken', 'let in new teeth'],
    ],
  },
  trundles: {
    name: 'trundles',
    states: [
      ['sound', ''],
      ['grooved', 'renew'],
      ['loose', 'close the shroud'],
      ['broken', 'renew'],
    ],
  },
  click: {
    name: 'click and ratchet',
    states: [
      ['sound', ''],
      ['worn', 'dress or renew'],
      ['loose', 'rivet or new screw'],
      ['broken', 'renew'],
    ],
  },
  clickspring: {
    name: 'click spring',
    states: [
      ['sound', ''],
      ['weak', 'bend or renew'],
      ['broken', 'renew'],
    ],
  },
  pins: {
    name: 'stop and lifting pins',
    states: [
      ['sound', ''],
      ['worn', 'renew'],
      ['loose', 'fix'],
      ['bent', 'straighten'],
    ],
  },
  pallets: {
    name: 'pallets',
    states: [
      ['sound', ''],
      ['grooved', 'move over or resurface'],
      ['chipped', 'renew'],
    ],
  },
  cylinder: {
    name: 'cylinder',
    states: [
      ['sound', ''],
      ['grooved', 'raise or lower the wheel, or renew'],
      ['broken', 'renew'],
    ],
  },
  crutch: {
    name: 'crutch',
    states: [
      ['sound', ''],
      ['loop worn', 'close the loop'],
      ['loose on its arbor', 'fix'],
      ['bent', 'straighten'],
    ],
  },
  suspension: {
    name: 'suspension',
    states: [
      ['sound', ''],
      ['creased', 'renew'],
      ['cracked', 'renew'],
      ['rusty', 'renew'],
    ],
  },
  levers: {
    name: 'levers',
    states: [
      ['sound', ''],
      ['worn', 'dress'],
      ['bent', 'set'],
      ['loose', 'fix'],
    ],
  },
  fly: {
    name: 'fly',
    states: [
      ['slips as it should', ''],
      ['binds', 'ease'],
      ['slips too easily', 'new friction spring'],
    ],
  },
  chain: {
    name: 'chain or line',
    states: [
      ['sound', ''],
      ['worn', 'renew'],
      ['frayed or rusty', 'renew'],
      ['too short', 'renew'],
    ],
  },
  balance: {
    name: 'balance and hairspring',
    states: [
      ['sound', ''],
      ['coils cling', 'clean'],
      ['bent', 'to the turner or renew'],
      ['rusty', 'renew'],
    ],
  },
} as const satisfies Record<string, Kind>;

export type PartKind = keyof typeof PART_KINDS;
