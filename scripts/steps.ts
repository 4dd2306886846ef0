// A maintainer's window: every step of every form as pictures on one page, to be looked at side by side.
// usage: npm run steps [-- SHEET_MM [PART_OF_A_FORM_ID]]   writes out/steps.html
import { mkdirSync, writeFileSync } from 'node:fs';
import { type Drawing, type Form, FORMS, make, stepPictures } from '@odd-corner/core';

const SIDES = { white: '#fbf8ef', colour: '#c79a63', thing: '#a9b4b0' } as const;
const LINES = {
  raw: 'stroke="#25221d" stroke-width="1.6"',
  folded: 'stroke="#453d32" stroke-width="1.1"',
  thing: 'stroke="#4b5652"',
  crease: 'stroke="#7c8f80" stroke-width="0.9"',
  valley: 'stroke="#0b7a83" stroke-width="2.4" stroke-dasharray="9 5"',
  mountain: 'stroke="#7a3e8e" stroke-width="2.4" stroke-dasharray="10 4 1 4"',
  hidden: 'stroke="#4b4336" stroke-dasharray="0.5 4" opacity="0.6"',
} as const;

function svg({ box, patches, lines, arrows, labels }: Drawing): string {
  const m = 0.07 * Math.max(box.width, box.height);
  const view = [box.x - m, box.y - m, box.width + 2 * m, box.height + 2 * m].join(' ');
  const shapes = [
    ...patches.map(
      ({ points, side, light }) =>
        `<polygon points="${points.map((p) => `${p.x},${p.y}`).join(' ')}" fill="color-mix(in oklab, ${SIDES[side]} ${Math.round(46 + 54 * light)}%, #3a2f22)"/>`,
    ),
    ...lines.map(
      ({ kind, from, to }) =>
        `<line x1="${from.x}" y1="${from.y}" x2="${to.x}" y2="${to.y}" vector-effect="non-scaling-stroke" ${LINES[kind]}/>`,
    ),
    ...arrows.map(
      ({ from, bend, to }) =>
        `<path d="M${from.x} ${from.y} Q${bend.x} ${bend.y} ${to.x} ${to.y}" fill="none" stroke="#b0430f" stroke-width="2" vector-effect="non-scaling-stroke"/><circle cx="${to.x}" cy="${to.y}" r="${m / 5}" fill="#b0430f"/>`,
    ),
    ...labels.map(
      ({ text, at, anchor, height }) =>
        `<circle cx="${anchor.x}" cy="${anchor.y}" r="${height / 6}"/><text x="${at.x}" y="${at.y + height / 4}" font-size="${height * 0.8}" text-anchor="middle">${text}</text>`,
    ),
  ];
  return `<svg viewBox="${view}">${shapes.join('')}</svg>`;
}

/** The default of a form, and each value of each of its choices once. */
function variants({ fields }: Form): Record<string, unknown>[] {
  const others = fields.flatMap(({ key, input }) =>
    input.kind === 'choice' ? input.options.map(({ value }) => ({ [key]: value })) : [],
  );
  return others.length ? others : [{}];
}

const sheetMm = Number(process.argv[2] ?? 150);
const only = process.argv[3];
const sections = Object.values(FORMS).flatMap((form) =>
  only && !form.id.includes(only)
    ? []
    : variants(form).map((params) => {
        const long =
          form.sheetShape === 'square'
            ? 1
            : (form.sheetShape.longPerShort[0] + Math.min(1.6, form.sheetShape.longPerShort[1])) / 2;
        const sheet = { widthMm: sheetMm * long, heightMm: sheetMm };
        const { folding, sizes } = make(form.id, { sheet, params, paper: { thicknessMm: 0.1 } });
        const cells = folding.steps.map((step, k) => {
          const { now, between, then } = stepPictures(step);
          const pictures = [now, ...(between ? [between] : []), then].map(svg).join('');
          return `<figure><figcaption><b>${k + 1}. ${step.title}</b> ${step.words} <i>${step.check}</i></figcaption><div>${pictures}</div></figure>`;
        });
        return `<h2>${form.name}: ${JSON.stringify(params)}, ${sheetMm} mm</h2><pre>${JSON.stringify(sizes)}</pre><main>${cells.join('')}</main>`;
      }),
);
mkdirSync('out', { recursive: true });
writeFileSync(
  'out/steps.html',
  `<!doctype html><meta charset="utf-8"><title>All steps</title><style>body{font:14px sans-serif;background:#f5f0e6}main{display:grid;grid-template-columns:repeat(auto-fill,minmax(380px,1fr));gap:12px}pre{white-space:pre-wrap;font-size:11px}figure{margin:0;padding:8px;background:#fffdf8}div{display:flex}svg{flex:1;height:220px;min-width:0}</style>${sections.join('')}`,
);
console.log(`out/steps.html: ${sections.length} sequences at ${sheetMm} mm`);
