export const DOCUMENTS = ['receipt', 'label', 'estimate', 'condition', 'bench', 'return', 'slip'] as const;

export type DocumentKind = (typeof DOCUMENTS)[number];
