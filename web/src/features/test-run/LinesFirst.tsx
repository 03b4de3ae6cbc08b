import { isOf, sayWeights } from '@eclat/core/benches';
import { isWeight, sourceName } from '@eclat/core/movement';
import { Link } from 'react-router';
import { Answer } from '../../ui/Answer.tsx';
import { buttonClass } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Before a weight hangs: what is wrong with its line or chain, or that nobody has looked at it. */
export function LinesFirst() {
  const { id, movement, benchTests } = useThisVisit();
  const { traits } = movement;
  const tests = benchTests.filter((e) => e.of === 'visit').map((e) => e.test);
  const own = tests.filter(isOf('weights'));
  const hung = traits.sources.filter((s) => isWeight(s.kind));
  if (hung.length === 0) return null;
  const wrong = sayWeights(traits, own).find((s) => s.good === false);
  const unseen = hung.filter((s) => !own.some((t) => t.kind !== 'weight' && t.values['source'] === s.id));
  if (!wrong && unseen.length === 0) return null;
  const names = unseen.map((s) => sourceName(traits, s)).join(', ');
  return (
    <Answer tone="due" title={wrong ? `${wrong.what}: ${wrong.says}` : `Before the weight hangs: ${names}`}>
      {!wrong && 'Nobody has looked at its line or chain: breaking load, ends, turns left, lands first. '}
      <Link className={buttonClass()} to={`/visits/${id}/weights`}>
        To weights and lines
      </Link>
    </Answer>
  );
}
