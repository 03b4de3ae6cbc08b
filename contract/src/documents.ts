export const PAPERS = ['receipt', 'label', 'estimate', 'condition', 'bench', 'return', 'slip'] as const;

export type Paper = (typeof PAPERS)[number];
