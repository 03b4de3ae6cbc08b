export * from './facts.ts';
export * from './gone.ts';
export * from './sign-facts.ts';
