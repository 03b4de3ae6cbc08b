/** Of the page of a book file: plain, so that any browser lays it out and prints it. */
export const BOOK_STYLE = `
:root { color-scheme: light dark; --ink: #17233f; --soft: #4b5563; --line: #c9ced8; --paper: #fbfaf6; --mark: #8a6412; }
@media (prefers-color-scheme: dark) {
  :root { --ink: #e8ebf2; --soft: #aab2c0; --line: #3a4356; --paper: #12182a; --mark: #e0b45c; }
}
* { box-sizing: border-box; }
body { margin: 0 auto; max-width: 46rem; padding: 2rem 1.25rem 4rem; background: var(--paper); color: var(--ink);
  font: 1.0625rem/1.5 "Source Sans 3", "Segoe UI", Roboto, "Helvetica Neue", Arial, sans-serif; }
h1 { font-size: 2rem; line-height: 1.2; margin: 0; }
h2 { font-size: 1.3rem; line-height: 1.3; margin: 0; }
h3 { font-size: 1rem; margin: 1rem 0 .25rem; }
p { margin: .4rem 0; }
a { color: inherit; }
.code { margin: 0; font-weight: 700; color: var(--mark); letter-spacing: .02em; }
.soft { color: var(--soft); }
.small { font-size: .875rem; }
.contents { margin: 1.5rem 0 0; padding: 0; list-style: none; border-top: 1px solid var(--line); }
.contents li { display: flex; gap: 1rem; padding: .3rem 0; border-bottom: 1px solid var(--line); }
.contents span { flex: none; width: 11rem; color: var(--soft); }
article { margin-top: 2.5rem; padding-top: 1.25rem; border-top: 3px solid var(--ink); }
article > header p { margin: 0 0 .15rem; }
.date { font-weight: 700; color: var(--mark); }
.quoted { margin: .4rem 0; padding-left: 1rem; border-left: 4px solid var(--mark);
  font-style: italic; font-weight: 400; }
dl { display: grid; grid-template-columns: 6rem minmax(0, 1fr); gap: .25rem 1rem; margin: .8rem 0; }
dt { color: var(--soft); }
dd { margin: 0; }
.photos { display: grid; grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr)); gap: .75rem; margin: 1rem 0; }
.photos.pair { grid-template-columns: 1fr 1fr; gap: .25rem; break-inside: avoid; }
figure { margin: 0; }
figure img { display: block; width: 100%; height: auto; border: 1px solid var(--line); border-radius: .25rem; }
figcaption { font-size: .875rem; color: var(--soft); overflow-wrap: anywhere; }
details { border-top: 1px solid var(--line); }
details.proof, details.proof:last-of-type { border: 0; }
@media (max-width: 36rem) { .contents span { width: 7.5rem; } }
details:last-of-type { border-bottom: 1px solid var(--line); }
summary { padding: .35rem 0; cursor: pointer; }
details ul { margin: 0 0 .8rem; padding-left: 1.1rem; }
.amendment { margin: 1rem 0 0; padding-left: 1rem; border-left: 4px solid var(--line); }
.doubt { font-weight: 600; color: var(--mark); }
code { overflow-wrap: anywhere; font-size: .8125rem; }
footer { margin-top: 3rem; padding-top: 1rem; border-top: 1px solid var(--line); }
@media print {
  body { max-width: none; padding: 0; background: none; color: #000; font-size: 10.5pt; }
  h2, h3, .date { break-after: avoid; }
  figure, li, dl > * { break-inside: avoid; }
}
`;
