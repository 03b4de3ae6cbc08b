// @vitest-environment jsdom
import { CAUTIONS, cautionsFor } from '@eclat/core/cautions';
import { cleanup, screen, within } from '@testing-library/react';
import type { ComponentType } from 'react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { AssemblyScreen } from '../assembly/AssemblyScreen.tsx';
import { AssessmentScreen } from '../assessment/AssessmentScreen.tsx';
import { CleaningScreen } from '../cleaning/CleaningScreen.tsx';
import { DeliveryScreen } from '../delivery/DeliveryScreen.tsx';
import { DiagnosisScreen } from '../diagnosis/DiagnosisScreen.tsx';
import { FittingScreen } from '../fitting/FittingScreen.tsx';
import { PowerDownScreen } from '../power-down/PowerDownScreen.tsx';
import { ReceivedScreen } from '../reception/ReceivedScreen.tsx';
import { StripScreen } from '../strip/StripScreen.tsx';
import { SurveyScreen } from '../survey/SurveyScreen.tsx';
import { TestRunScreen } from '../test-run/TestRunScreen.tsx';

vi.mock('../test-run/RateChart.tsx', () => ({ default: () => null }));

const SCREENS: Partial<Record<string, ComponentType>> = {
  intake: ReceivedScreen,
  assess: AssessmentScreen,
  diagnose: DiagnosisScreen,
  power: PowerDownScreen,
  strip: StripScreen,
  clean: CleaningScreen,
  survey: SurveyScreen,
  fit: FittingScreen,
  assemble: AssemblyScreen,
  run: TestRunScreen,
  deliver: DeliveryScreen,
};

beforeEach(() => standIn({ '/api/delivery': {} }));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('every stage that a caution names shows it, whatever the clock is', () => {
  for (const stage of new Set(CAUTIONS.flatMap((c) => c.stages)))
    for (const family of ['mantel-barrels', 'synchronous', 'longcase'])
      if (cautionsFor(visitOf(family).movement.traits, stage).length > 0) {
        show(SCREENS[stage]!, visitOf(family));
        const list = within(screen.getByRole('list', { name: 'Cautions' }));
        for (const c of cautionsFor(visitOf(family).movement.traits, stage))
          expect(list.getByText(c.text), `${stage} of ${family}`).toBeTruthy();
        cleanup();
      }
});
