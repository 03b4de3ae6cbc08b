import { afterEach } from 'vitest';
import { useStore } from '../src/store.ts';

afterEach(() => useStore.setState(useStore.getInitialState(), true));
