// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { answer, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { AssemblyScreen } from '../assembly/AssemblyScreen.tsx';
import { SideWork } from '../visit/SideWork.tsx';

beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const wayIn = () => screen.queryByRole('link', { name: 'Replacement' });

it('in a job that is a replacement, the way to its points stands on every stage before anybody began them', () => {
  const visit = visitOf('quarter-chime');
  show(() => <SideWork visit={visit} onPress={() => {}} />, visit);
  expect(wayIn()).toBeNull();
  cleanup();
  const agreed = { ...visit, job: { ...visit.job, shape: 'replacement' as const } };
  show(() => <SideWork visit={agreed} onPress={() => {}} />, agreed);
  expect(wayIn()).not.toBeNull();
  cleanup();
  show(AssemblyScreen, agreed);
  expect(answer()).toContain('The new movement is not in yet');
  expect(screen.getByRole('link', { name: /^Answer the points/ }).getAttribute('href')).toContain('/replace');
});
