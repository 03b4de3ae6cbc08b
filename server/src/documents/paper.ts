import type { Content } from 'pdfmake';

export const INK = '#15295a';
export const SOFT = '#4b5563';

/** Plain data all through: it is set and printed in a thread beside. Sizes in points. */
export interface Paper {
  page: { pageSize: 'A4' | { width: number; height: number }; pageMargins: [number, number, number, number] };
  info: { title: string; author?: string; creator: string; producer: string };
  /** Said at the foot of each page, before its number. */
  footer?: Content;
  content: Content[];
}
