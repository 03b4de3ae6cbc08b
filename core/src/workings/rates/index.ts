import rateReadings from './rate-readings.ts';
import rateAgainst from './rate-against.ts';
import amplitude from './amplitude.ts';
import beatError from './beat-error.ts';
import soundLimit from './sound-limit.ts';
import sampleClock from './sample-clock.ts';
import balanceTemperature from './balance-temperature.ts';

export const RATES = [rateReadings, rateAgainst, amplitude, beatError, soundLimit, sampleClock, balanceTemperature];
