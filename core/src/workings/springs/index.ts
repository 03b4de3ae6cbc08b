import springTurns from './spring-turns.ts';
import springLength from './spring-length.ts';
import springStrength from './spring-strength.ts';
import springRun from './spring-run.ts';
import springStock from './spring-stock.ts';
import springSet from './spring-set.ts';
import springFill from './spring-fill.ts';

export const SPRINGS = [springTurns, springLength, springStrength, springRun, springStock, springSet, springFill];
