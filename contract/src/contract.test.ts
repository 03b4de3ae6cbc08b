import { describe, expect, it } from 'vitest';
import { api, entry, findingFields, newVisit, type Route } from './index.ts';

const routes = Object.entries(api).flatMap(([group, doors]) =>
  Object.entries(doors as Record<string, Route>).map(([name, r]) => [`${group}.${name}`, r] as const),
);

describe('the doors', () => {
  it('are each there once', () =>
    expect(new Set(routes.map(([, r]) => `${r.method} ${r.path}`)).size).toBe(routes.length));
  it('are closed to strangers but for the way in', () =>
    expect(routes.filter(([, r]) => r.roles === 'public').map(([name]) => name)).toEqual([
      'people.session',
      'people.signIn',
      'people.signOut',
      'people.firstRun',
      'forOwner.page',
      'forOwner.decide',
      'forOwner.choose',
      'forOwner.ask',
    ]));
  it('that need no sign-in stand behind an address, and change only by PUT', () => {
    for (const [name, r] of routes.filter(([n]) => n.startsWith('forOwner.')))
      expect([r.path.startsWith('/for-owner/:token'), ['GET', 'PUT'].includes(r.method)], name).toEqual([true, true]);
  });
  it('let only those who answer for the movement open, sign and amend it', () => {
    for (const door of [api.powerDown.set, api.powerDown.strip, api.visits.sign, api.movements.amend, api.survey.set])
      expect(door.roles).not.toContain('counter');
  });
});

describe('intake', () => {
  const given = {
    owner: { name: 'A' },
    clock: { description: 'c' },
    movement: { name: 'm', familyId: 'fusee' },
    complaint: 'stops',
  };
  const paths = (value: unknown) => newVisit.safeParse(value).error?.issues.map((i) => i.path.join('.'));
  it('takes a known one or a new one, never both and never neither', () => {
    expect(paths(given)).toBeUndefined();
    expect(paths({ ...given, ownerId: crypto.randomUUID() })).toEqual(['owner']);
    expect(paths({ ...given, owner: undefined })).toEqual(['owner']);
    expect(paths({ ...given, movement: undefined })).toEqual(['movement']);
    expect(paths({ ...given, clock: undefined, movement: undefined, clockId: crypto.randomUUID() })).toBeUndefined();
  });
  it('cuts off blanks and says what is needed', () => {
    expect(newVisit.safeParse({ ...given, complaint: '   ' }).error?.issues[0]?.message).toContain('needed');
    expect(
      findingFields.safeParse({ place: 'x', seen: 'y'.repeat(601), severity: 'looks', effect: 'none' }).success,
    ).toBe(false);
  });
});

it('the book’s entry has no place for an owner', () =>
  expect(Object.keys(entry.shape).join()).not.toMatch(/owner|phone|complaint|price/));
