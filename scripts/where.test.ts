import { STAGE_IDS } from '@eclat/core/workflow';
import { describe, expect, it } from 'vitest';
import { FEATURES, type Feature } from '../contract/src/features.ts';
import { featuresNamed, placesOf, unclaimed } from './where.ts';

describe('where a feature lies', () => {
  it.each(Object.keys(FEATURES))('%s has its place in every layer, or a reason why not', (name) => {
    for (const { layer, path, there, why } of placesOf(name))
      expect([layer, path, there], `${path} ${why}`).toEqual([layer, path, why === '']);
  });
  it('every stage is the work of one feature', () => {
    const stages = Object.values<Feature>(FEATURES).flatMap((f) => (f.stage ? [f.stage] : []));
    expect(stages.sort()).toEqual([...STAGE_IDS].sort());
  });
  it('nothing lies beside the features but what all share', () => {
    expect(
      unclaimed('contract', [
        'addresses',
        'common',
        'features',
        'index',
        'route',
        'movement-book',
        'sections',
        'service-record',
        // What a page makes of a visit before its server has answered, and after.
        'foreseen',
        'way-back',
        'names-given',
        'reply-in-visit',
      ]),
    ).toEqual([]);
    expect(unclaimed('server', ['platform', 'app', 'main', 'migrate', 'server', 'verify'])).toEqual([]);
    expect(unclaimed('web', [])).toEqual([]);
  });
  it('is found by its name, a stage or a subject', () => {
    expect([featuresNamed('survey'), featuresNamed('clean'), featuresNamed('pivots'), featuresNamed('qq')]).toEqual([
      ['survey'],
      ['cleaning'],
      ['survey', 'fitting'],
      [],
    ]);
  });
});
