import { configure } from '@testing-library/react';
import { afterAll, afterEach, vi } from 'vitest';
import { useAppState } from '../src/data/app-state.ts';

// No test asserts speed: on a loaded machine a screen may take its time to answer.
configure({ asyncUtilTimeout: 20_000 });
afterEach(() => {
  useAppState.setState(useAppState.getInitialState(), true);
  // What one test typed half is not found by the next.
  if (typeof localStorage !== 'undefined') {
    localStorage.clear();
    sessionStorage.clear();
  }
});

// A screen fetches a later piece by itself. Files share their modules: one that is still on its way when the page of
// this file goes would be missing in the next.
afterAll(() => vi.dynamicImportSettled());

// jsdom scrolls nothing.
if (typeof window !== 'undefined') window.scrollTo = () => {};

// jsdom has files without the means to read them that browsers have had for years.
if (typeof Blob !== 'undefined' && typeof FileReader !== 'undefined' && !Blob.prototype.arrayBuffer)
  Blob.prototype.arrayBuffer = function read(this: Blob) {
    return new Promise((resolve, reject) => {
      const reader = new FileReader();
      reader.onload = () => resolve(reader.result as ArrayBuffer);
      reader.onerror = () => reject(reader.error ?? new Error('not read'));
      reader.readAsArrayBuffer(this);
    });
  };
