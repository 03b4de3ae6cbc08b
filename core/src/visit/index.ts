export * from './facts.ts';
export * from './sign-facts.ts';
