import sharp from 'sharp';

/** The demo's photographs: drawn here, so that nothing is fetched and nobody's clock is shown. */
export type Picture =
  | 'mantel'
  | 'shelf'
  | 'longcase'
  | 'bracket'
  | 'dome'
  | 'travelling'
  | 'alarm'
  | 'wall'
  | 'recorder'
  | 'bird'
  | 'kitchen'
  | 'plates'
  | 'wear'
  | 'bush'
  | 'board'
  | 'plate';

const W = 1200;
const H = 1200;

const ticks = (cx: number, cy: number, r: number, ink: string) =>
  Array.from({ length: 60 }, (_, i) => {
    const a = (i * Math.PI) / 30;
    const inner = r * (i % 5 === 0 ? 0.8 : 0.9);
    return `<line x1="${cx + inner * Math.sin(a)}" y1="${cy - inner * Math.cos(a)}" x2="${cx + r * 0.95 * Math.sin(a)}" y2="${cy - r * 0.95 * Math.cos(a)}" stroke="${ink}" stroke-width="${i % 5 === 0 ? r * 0.035 : r * 0.012}"/>`;
  }).join('');

const hand = (cx: number, cy: number, length: number, turn: number, width: number, colour: string) => {
  const a = turn * 2 * Math.PI;
  return `<line x1="${cx - 0.15 * length * Math.sin(a)}" y1="${cy + 0.15 * length * Math.cos(a)}" x2="${cx + length * Math.sin(a)}" y2="${cy - length * Math.cos(a)}" stroke="${colour}" stroke-width="${width}" stroke-linecap="round"/>`;
};

function dial(
  cx: number,
  cy: number,
  r: number,
  face = '#f6f3ea',
  ink = '#1c2433',
  hands = '#16284f',
  minute = 0.19,
): string {
  return `<circle cx="${cx}" cy="${cy}" r="${r * 1.1}" fill="url(#brass)"/><circle cx="${cx}" cy="${cy}" r="${r}" fill="${face}"/>
    <circle cx="${cx}" cy="${cy}" r="${r * 0.7}" fill="none" stroke="${ink}" stroke-opacity=".25" stroke-width="2"/>${ticks(cx, cy, r, ink)}
    <circle cx="${cx - r * 0.3}" cy="${cy + r * 0.34}" r="${r * 0.05}" fill="#3a2d12"/><circle cx="${cx + r * 0.3}" cy="${cy + r * 0.34}" r="${r * 0.05}" fill="#3a2d12"/>
    ${hand(cx, cy, r * 0.52, 0.87 + minute / 12, r * 0.06, hands)}${hand(cx, cy, r * 0.8, minute, r * 0.04, hands)}<circle cx="${cx}" cy="${cy}" r="${r * 0.06}" fill="${hands}"/>`;
}

const wheel = (cx: number, cy: number, r: number, teeth: number) => {
  const rim = Array.from({ length: teeth * 2 }, (_, i) => {
    const a = (i * Math.PI) / teeth;
    const q = i % 2 ? r : r * 0.93;
    return `${(cx + q * Math.cos(a)).toFixed(1)},${(cy + q * Math.sin(a)).toFixed(1)}`;
  }).join(' ');
  const arms = [0, 1, 2, 3]
    .map(
      (k) =>
        `<line x1="${cx}" y1="${cy}" x2="${cx + r * 0.8 * Math.cos((k * Math.PI) / 2 + 0.4)}" y2="${cy + r * 0.8 * Math.sin((k * Math.PI) / 2 + 0.4)}" stroke="#b98c35" stroke-width="${r * 0.11}"/>`,
    )
    .join('');
  return `<polygon points="${rim}" fill="#c9a047" stroke="#8d6a1f" stroke-width="2"/><circle cx="${cx}" cy="${cy}" r="${r * 0.76}" fill="#6f6a5e"/>${arms}<circle cx="${cx}" cy="${cy}" r="${r * 0.16}" fill="#9aa3ad"/>`;
};

/** A line of writing that nobody can read: `letters` strokes, each bent its own way. */
const scrawl = (x: number, y: number, letters: number, seed: number): string => {
  const bend = (i: number, most: number) => (Math.abs(Math.sin(seed * 12.9 + i * 78.2)) * most).toFixed(0);
  const strokes = Array.from(
    { length: letters },
    (_, i) => `q${bend(i, 14)} -${bend(i + 9, 46)} 14 -${bend(i, 6)} t14 ${bend(i, 9)}`,
  );
  return `<path d="M${x} ${y} ${strokes.join(' ')}" fill="none" stroke="#2b2017" stroke-opacity=".72" stroke-width="3.5" stroke-linecap="round"/>`;
};

const BODIES: Record<Picture, string> = {
  mantel: `<path d="M180 980 V900 H240 V520 Q600 330 960 520 V900 H1020 V980 Z" fill="url(#slate)"/><rect x="300" y="860" width="600" height="26" fill="#b5893a"/><rect x="270" y="560" width="40" height="330" fill="#b5893a"/><rect x="890" y="560" width="40" height="330" fill="#b5893a"/>${dial(600, 660, 190)}`,
  shelf: `<path d="M300 1010 V360 L600 190 L900 360 V1010 Z" fill="url(#wood)"/><rect x="370" y="420" width="460" height="520" fill="#2b1c10"/><rect x="390" y="760" width="420" height="160" fill="#6b93a8"/><circle cx="600" cy="850" r="46" fill="#c9a047"/>${dial(600, 570, 165, '#efe6cf')}`,
  longcase: `<path d="M430 1150 V1010 H460 V470 H430 V400 Q600 180 770 400 V470 H740 V1010 H770 V1150 Z" fill="url(#wood)"/><rect x="505" y="540" width="190" height="430" rx="12" fill="#4a2f18"/><circle cx="600" cy="850" r="52" fill="#c9a047"/>${dial(600, 400, 125, '#f4efdf')}`,
  bracket: `<path d="M320 1020 V460 Q600 180 880 460 V1020 Z" fill="url(#wood)"/><path d="M520 240 Q600 120 680 240" fill="none" stroke="#c9a047" stroke-width="24"/><rect x="400" y="470" width="400" height="470" rx="10" fill="url(#brass)"/>${dial(600, 710, 165, '#ece6d6')}${dial(600, 525, 42, '#e9e3d2')}`,
  dome: `<ellipse cx="600" cy="1020" rx="330" ry="60" fill="#8d6a1f"/><path d="M330 1010 V480 Q330 160 600 160 Q870 160 870 480 V1010" fill="#cfe2ee" fill-opacity=".25" stroke="#dfeaf2" stroke-width="8"/><rect x="440" y="420" width="20" height="560" fill="#c9a047"/><rect x="740" y="420" width="20" height="560" fill="#c9a047"/><line x1="600" y1="500" x2="600" y2="840" stroke="#6f7883" stroke-width="4"/><ellipse cx="600" cy="880" rx="150" ry="34" fill="#b5893a"/><circle cx="510" cy="880" r="42" fill="url(#brass)"/><circle cx="690" cy="880" r="42" fill="url(#brass)"/>${dial(600, 440, 130)}`,
  travelling: `<rect x="360" y="330" width="480" height="720" rx="14" fill="url(#brass)"/><rect x="410" y="400" width="380" height="570" fill="#dbe3e6"/><path d="M440 330 Q600 170 760 330" fill="none" stroke="#b5893a" stroke-width="26"/>${dial(600, 640, 150, '#fbfaf4')}`,
  alarm: `<circle cx="600" cy="640" r="330" fill="#39536b"/><circle cx="430" cy="300" r="90" fill="url(#brass)"/><circle cx="770" cy="300" r="90" fill="url(#brass)"/><line x1="380" y1="920" x2="320" y2="1040" stroke="#39536b" stroke-width="42"/><line x1="820" y1="920" x2="880" y2="1040" stroke="#39536b" stroke-width="42"/>${dial(600, 640, 250, '#f3f0e6', '#20303d', '#20303d', 0.05)}`,
  wall: `<circle cx="600" cy="600" r="420" fill="url(#wood)"/>${dial(600, 600, 320, '#f7f4ea')}<rect x="500" y="985" width="200" height="110" rx="14" fill="url(#wood)"/>`,
  recorder: `<rect x="280" y="160" width="640" height="940" rx="16" fill="url(#wood)"/><rect x="420" y="760" width="360" height="250" rx="10" fill="#2a2f36"/><rect x="560" y="700" width="80" height="150" fill="#efe9d8"/>${dial(600, 440, 210, '#f5f1e4')}`,
  bird: `<path d="M330 620 L600 260 L870 620 V900 H330 Z" fill="url(#wood)"/><rect x="545" y="400" width="110" height="110" fill="#2b1c10"/><path d="M480 900 V1120 M720 900 V1060" stroke="#7d7464" stroke-width="10"/><ellipse cx="480" cy="1140" rx="34" ry="56" fill="#5d4630"/><ellipse cx="720" cy="1080" rx="34" ry="56" fill="#5d4630"/>${dial(600, 720, 140, '#e8dcc0', '#3d2a14', '#efe9da')}`,
  kitchen: `<rect x="240" y="240" width="720" height="720" rx="150" fill="#8fb3a3"/>${dial(600, 600, 290, '#fdfcf7', '#23332c', '#a8321f', 0.41)}<path d="M600 960 Q620 1090 760 1130" fill="none" stroke="#3a3a3a" stroke-width="16"/>`,
  plates: `<rect x="200" y="150" width="800" height="900" rx="18" fill="#c9a65a"/><rect x="200" y="150" width="800" height="900" rx="18" fill="#7a5f25" fill-opacity=".25"/>${wheel(420, 820, 190, 60)}${wheel(790, 830, 185, 58)}${wheel(470, 530, 120, 44)}${wheel(740, 540, 125, 46)}${wheel(560, 350, 86, 36)}${wheel(760, 330, 78, 34)}${wheel(400, 300, 62, 30)}`,
  wear: `<rect width="1200" height="1200" fill="#c3a155"/><circle cx="600" cy="600" r="300" fill="#8d7233"/><ellipse cx="640" cy="575" rx="150" ry="112" fill="#1d1710" transform="rotate(-28 640 575)"/><circle cx="672" cy="556" r="96" fill="#9aa2a9"/><circle cx="650" cy="536" r="30" fill="#dfe5ea" fill-opacity=".7"/>`,
  bush: `<rect width="1200" height="1200" fill="#cfae63"/><circle cx="600" cy="600" r="300" fill="#a5873f"/><circle cx="600" cy="600" r="214" fill="#dcbb6c" stroke="#93752f" stroke-width="7"/><circle cx="600" cy="600" r="106" fill="#1d1710"/><circle cx="600" cy="600" r="98" fill="#9aa2a9"/><circle cx="578" cy="578" r="30" fill="#dfe5ea" fill-opacity=".7"/>`,
  board: `<rect x="90" y="230" width="1020" height="760" fill="url(#wood)"/><rect x="90" y="230" width="1020" height="760" fill="#c79a62" fill-opacity=".55"/><rect x="200" y="330" width="70" height="560" rx="30" fill="#3a2410"/><rect x="930" y="330" width="70" height="560" rx="30" fill="#3a2410"/>${scrawl(320, 380, 9, 1)}${scrawl(340, 450, 5, 2)}${scrawl(330, 560, 12, 3)}${scrawl(350, 640, 17, 4)}${scrawl(340, 760, 19, 5)}${scrawl(620, 870, 9, 6)}`,
  plate: `<rect x="160" y="140" width="880" height="920" rx="18" fill="#c9a65a"/><circle cx="420" cy="800" r="70" fill="#8a6a2a"/><circle cx="800" cy="810" r="64" fill="#8a6a2a"/><circle cx="470" cy="500" r="26" fill="#3a2c10"/><circle cx="760" cy="470" r="22" fill="#3a2c10"/><circle cx="600" cy="300" r="18" fill="#3a2c10"/>${scrawl(300, 620, 15, 7)}${scrawl(320, 690, 12, 8)}${scrawl(560, 930, 13, 9)}`,
};

/** A JPEG as a camera would give it. `warmth` from 0 to 1 shifts the light of the bench, so that no two look alike. */
export async function photograph(picture: Picture, warmth: number): Promise<Buffer> {
  const back = `hsl(${Math.round(210 + warmth * 40)} ${Math.round(14 + warmth * 10)}% ${Math.round(70 + warmth * 14)}%)`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${H}" viewBox="0 0 ${W} ${H}">
    <defs>
      <linearGradient id="wood" x1="0" x2="1"><stop offset="0" stop-color="#5b3415"/><stop offset=".5" stop-color="#8a5526"/><stop offset="1" stop-color="#54300f"/></linearGradient>
      <linearGradient id="slate" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#4a4f57"/><stop offset="1" stop-color="#22252a"/></linearGradient>
      <linearGradient id="brass" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#e0c06d"/><stop offset=".55" stop-color="#b08434"/><stop offset="1" stop-color="#d8b75f"/></linearGradient>
      <radialGradient id="light" cx=".35" cy=".25" r=".9"><stop offset="0" stop-color="#fff" stop-opacity=".5"/><stop offset="1" stop-color="#000" stop-opacity=".22"/></radialGradient>
    </defs>
    <rect width="${W}" height="${H}" fill="${back}"/><rect y="980" width="${W}" height="220" fill="#77695a"/>
    <ellipse cx="600" cy="1060" rx="430" ry="46" fill="#000" fill-opacity=".22"/>${BODIES[picture]}
    <rect width="${W}" height="${H}" fill="url(#light)"/>
  </svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 90 }).toBuffer();
}
