import { configure } from '@testing-library/react';
import { afterEach } from 'vitest';
import { useAppState } from '../src/data/app-state.ts';

// No test asserts speed: on a loaded machine a screen may take its time to answer.
configure({ asyncUtilTimeout: 20_000 });
afterEach(() => useAppState.setState(useAppState.getInitialState(), true));
