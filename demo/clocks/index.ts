import type { DemoClock } from '../clock.ts';
import slateMantel from './slate-mantel.ts';
import shelfClock from './shelf-clock.ts';
import thirtyHourShelfClock from './thirty-hour-shelf-clock.ts';
import longcase from './longcase.ts';
import chimingBracketClock from './chiming-bracket-clock.ts';
import torsionClock from './torsion-clock.ts';
import travellingClock from './travelling-clock.ts';
import twinBellAlarm from './twin-bell-alarm.ts';
import roundDial from './round-dial.ts';
import masterClock from './master-clock.ts';
import kitchenClock from './kitchen-clock.ts';
import timeRecorder from './time-recorder.ts';
import officeWallClock from './office-wall-clock.ts';
import birdClock from './bird-clock.ts';
import shipsClock from './ships-clock.ts';
import fourGlassClock from './four-glass-clock.ts';
import longcaseTarrowby from './longcase-tarrowby.ts';
import marbleClock from './marble-clock.ts';
import luminousAlarm from './luminous-alarm.ts';
import twoWeightWallClock from './two-weight-wall-clock.ts';
import bedroomClock from './bedroom-clock.ts';
import wardroomClock from './wardroom-clock.ts';
import tavernWallClock from './tavern-wall-clock.ts';
import fairFind from './fair-find.ts';
import dropDialClock from './drop-dial-clock.ts';
import monthClock from './month-clock.ts';
import kitchenAlarm from './kitchen-alarm.ts';
import schoolhouseWallClock from './schoolhouse-wall-clock.ts';
import showpieceMantel from './showpiece-mantel.ts';
import boudoirClock from './boudoir-clock.ts';
import officeMantel from './office-mantel.ts';
import assemblyRoomClock from './assembly-room-clock.ts';
import galleryBatteryClock from './gallery-battery-clock.ts';
import corridorSlaveDial from './corridor-slave-dial.ts';
import farmLongcase from './farm-longcase.ts';
import moonLongcase from './moon-longcase.ts';
import regulator from './counting-house-regulator.ts';
import travellingRepeater from './travelling-repeater.ts';
import tableFusee from './table-fusee.ts';
import vergeBracket from './verge-bracket.ts';

/** The clocks of Fennick Row, in the order they came in. */
export const CLOCKS: readonly DemoClock[] = [
  slateMantel,
  shelfClock,
  thirtyHourShelfClock,
  longcase,
  chimingBracketClock,
  torsionClock,
  travellingClock,
  twinBellAlarm,
  roundDial,
  masterClock,
  kitchenClock,
  timeRecorder,
  officeWallClock,
  birdClock,
  shipsClock,
  fourGlassClock,
  longcaseTarrowby,
  marbleClock,
  luminousAlarm,
  twoWeightWallClock,
  bedroomClock,
  wardroomClock,
  tavernWallClock,
  fairFind,
  dropDialClock,
  monthClock,
  kitchenAlarm,
  schoolhouseWallClock,
  showpieceMantel,
  boudoirClock,
  officeMantel,
  assemblyRoomClock,
  galleryBatteryClock,
  corridorSlaveDial,
  farmLongcase,
  moonLongcase,
  regulator,
  travellingRepeater,
  tableFusee,
  vergeBracket,
];
