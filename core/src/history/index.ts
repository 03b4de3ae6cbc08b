export * from './edtf.ts';
export * from './record.ts';
