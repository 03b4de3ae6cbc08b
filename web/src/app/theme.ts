import { setNonce } from 'get-nonce';
import { useAppState, type Theme } from '../data/app-state.ts';

// Before anything else is drawn.
const nonce = document.querySelector<HTMLMetaElement | HTMLScriptElement>('[nonce]')?.nonce;
if (nonce) setNonce(nonce);

const dark = window.matchMedia('(prefers-color-scheme: dark)');
const show = (theme: Theme) => {
  const ofSystem = dark.matches ? 'dark' : 'light';
  document.documentElement.dataset['theme'] = theme === 'system' ? ofSystem : theme;
};
show(useAppState.getState().theme);
useAppState.subscribe((s) => show(s.theme));
dark.addEventListener('change', () => show(useAppState.getState().theme));
