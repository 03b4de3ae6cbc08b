import { RECORD_FIELDS, RECORD_VERSION } from '@eclat/core/history';
import { describe, expect, it } from 'vitest';
import { serviceRecord } from './service-record.ts';
import { z } from 'zod';
import { api, entry, findingFields, newVisit, visit, type Route } from './index.ts';

const routes = Object.entries(api).flatMap(([group, commands]) =>
  Object.entries(commands as Record<string, Route>).map(([name, r]) => [`${group}.${name}`, r] as const),
);

describe('the routes', () => {
  it('are each there once', () =>
    expect(new Set(routes.map(([, r]) => `${r.method} ${r.path}`)).size).toBe(routes.length));
  it('are closed to strangers but for the way in', () =>
    expect(routes.filter(([, r]) => r.roles === 'public').map(([name]) => name)).toEqual([
      'ownerPage.page',
      'ownerPage.decide',
      'ownerPage.choose',
      'ownerPage.ask',
      'people.session',
      'people.signIn',
      'people.signOut',
      'people.firstRun',
    ]));
  it('that need no sign-in stand behind an address, and change only by PUT', () => {
    for (const [name, r] of routes.filter(([n]) => n.startsWith('ownerPage.')))
      expect([r.path.startsWith('/for-owner/:token'), ['GET', 'PUT'].includes(r.method)], name).toEqual([true, true]);
  });
  it('let only those who answer for the movement open, sign and amend it', () => {
    for (const route of [
      api.powerDown.set,
      api.powerDown.beginStrip,
      api.signing.sign,
      api.movements.amend,
      api.survey.setHole,
    ])
      expect(route.roles).not.toContain('counter');
  });
});

describe('what a route declares', () => {
  const commands = routes.filter(([, r]) => !r.reads);
  it('is either what it reads or what it changes', () => {
    for (const [name, r] of routes) expect([name, r.changes.length > 0]).toEqual([name, r.reads === undefined]);
  });
  it('is undone by a command that there is, on the same kind of thing', () => {
    const names = new Set(commands.map(([name]) => name));
    for (const [name, r] of commands)
      if (r.inverse !== 'same' && r.inverse !== 'final') expect(names, `${name} by ${r.inverse}`).toContain(r.inverse);
  });
  it('puts its reply where a visit has a place for exactly that', () => {
    for (const [name, r] of commands) {
      if (typeof r.visit !== 'object') continue;
      const path = 'put' in r.visit ? r.visit.put : r.visit.remove;
      let place: z.ZodType = visit;
      for (const part of path.split('.').filter(Boolean)) {
        while (place instanceof z.ZodNullable) place = place.unwrap() as z.ZodType;
        place = (place as z.ZodObject).shape[part] as z.ZodType;
        expect(place, `${name}: ${path}`).toBeDefined();
      }
      while (place instanceof z.ZodNullable) place = place.unwrap() as z.ZodType;
      expect([name, place instanceof z.ZodArray]).toEqual([name, r.visit.by !== undefined]);
      const row = (place instanceof z.ZodArray ? place.element : place) as z.ZodObject;
      if (r.visit.by) expect(Object.keys(row.shape), name).toContain(r.visit.by);
      if ('param' in r.visit) expect(r.path, name).toContain(`:${r.visit.param}`);
      else if ('shape' in row)
        expect(Object.keys((r.reply as z.ZodObject).shape).sort(), name).toEqual(Object.keys(row.shape).sort());
    }
  });
  it('puts a reply into a list that has such rows', () => {
    const lists = Object.fromEntries(routes.filter(([, r]) => r.reads).map(([, r]) => [r.path, r]));
    for (const [name, r] of commands) {
      if (!r.row) continue;
      const list = lists[r.row.list]!;
      expect(r.changes, name).toContain(list.reads);
      expect(Object.keys((r.reply as z.ZodObject).shape), name).toContain(r.row.by);
      expect((list.reply as z.ZodArray).element, name).toBe(r.reply);
    }
  });
  it('names the visit wherever its address does', () => {
    for (const [name, r] of commands)
      if (r.path.startsWith('/visits/:visitId')) expect(r.changes, name).toContain('visit');
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

it('the record of a visit has a version for each of its fields, and the latest is what is written', () => {
  const fields = Object.keys(serviceRecord.shape).filter((f) => f !== 'format' && f !== 'version');
  expect(fields.sort()).toEqual(Object.keys(RECORD_FIELDS).sort());
  expect(Math.max(...Object.values(RECORD_FIELDS))).toBe(RECORD_VERSION);
  const version = (v: number) => serviceRecord.shape.version.safeParse(v).success;
  expect([0, 1, RECORD_VERSION, RECORD_VERSION + 1].map(version)).toEqual([false, true, true, false]);
});

it('the book’s entry has no place for an owner', () =>
  expect(Object.keys(entry.shape).join()).not.toMatch(/owner|phone|complaint|price/));
