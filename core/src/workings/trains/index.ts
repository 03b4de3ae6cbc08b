import trainBeats from './train-beats.ts';
import trainMissing from './train-missing.ts';
import trainDuration from './train-duration.ts';
import gearSize from './gear-size.ts';
import strikeTrain from './strike-train.ts';

export const TRAINS_WORKINGS = [trainBeats, trainMissing, trainDuration, gearSize, strikeTrain];
