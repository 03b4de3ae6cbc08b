export * from './edtf.ts';
export * from './canonical.ts';
export * from './record.ts';
export * from './fromVisit.ts';
export * from './private-words.ts';
export * from './dating.ts';
