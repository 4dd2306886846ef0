import { type Drawing, type PaperColours, roomyBox, shapesOf, WIDTHS_FOR } from '@odd-corner/core';
import PDFDocument from 'pdfkit';
import type { Fonts } from './print-asked';

const PT_PER_MM = 72 / 25.4;
/** Widths of lines are said for a picture of so many mm. */
const PICTURE_MM = 110;

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface TextOptions {
  readonly size: number;
  readonly bold?: boolean;
  readonly colour?: string;
  readonly align?: 'left' | 'center' | 'right';
}

const INK = '#25221d';

/** Writes and draws on the pages of a PDF: everything in mm, from the upper left corner of the page. */
export class Pen {
  private readonly doc: PDFKit.PDFDocument;
  private readonly parts: Buffer[] = [];
  private readonly ended: Promise<Uint8Array>;
  pages = 0;

  /** @param say how a text is written, figures with a comma for example */
  constructor(
    title: string,
    { plain, bold }: Fonts,
    readonly say: (text: string) => string,
  ) {
    this.doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: title, Creator: 'Odd Corner' } });
    this.doc.registerFont('plain', plain);
    this.doc.registerFont('bold', bold);
    this.ended = new Promise((done, failed) => {
      this.doc.on('data', (part: Buffer) => this.parts.push(part));
      this.doc.on('end', () => done(Buffer.concat(this.parts)));
      this.doc.on('error', failed);
    });
  }

  page(widthMm: number, heightMm: number): void {
    this.doc.addPage({ size: [widthMm * PT_PER_MM, heightMm * PT_PER_MM], margin: 0 });
    this.doc.scale(PT_PER_MM);
    this.pages += 1;
  }

  async end(): Promise<Uint8Array> {
    this.doc.end();
    return this.ended;
  }

  /** How high a text is that is so wide. */
  heightOf(text: string, width: number, { size, bold }: TextOptions): number {
    return this.doc
      .font(bold ? 'bold' : 'plain')
      .fontSize(size)
      .heightOfString(this.say(text), { width, lineGap: 0.15 * size });
  }

  text(
    text: string,
    { x, y, width }: Omit<Box, 'height'>,
    { size, bold, colour = INK, align = 'left' }: TextOptions,
  ): void {
    this.doc
      .font(bold ? 'bold' : 'plain')
      .fontSize(size)
      .fillColor(colour)
      .text(this.say(text), x, y, { width, align, lineGap: 0.15 * size });
  }

  line(
    x0: number,
    y0: number,
    x1: number,
    y1: number,
    { width = 0.2, colour = INK, dash = [] as readonly number[] } = {},
  ): void {
    this.doc.save().lineWidth(width).strokeColor(colour);
    if (dash.length) this.doc.dash(dash[0], { space: dash[1] ?? dash[0] });
    this.doc.moveTo(x0, y0).lineTo(x1, y1).stroke().restore();
  }

  /** Draws only within a box. */
  within({ x, y, width, height }: Box, draw: () => void): void {
    this.doc.save().rect(x, y, width, height).clip();
    draw();
    this.doc.restore();
  }

  /** A text that stands turned about its middle, counter-clockwise. */
  turned(text: string, at: { readonly x: number; readonly y: number }, deg: number, options: TextOptions): void {
    this.doc.save().rotate(-deg, { origin: [at.x, at.y] });
    const width = this.doc.font('plain').fontSize(options.size).widthOfString(text) + 1;
    this.text(text, { x: at.x - width / 2, y: at.y - options.size / 2, width }, { ...options, align: 'center' });
    this.doc.restore();
  }

  /** How wide a text is in one line. */
  widthOf(text: string, size: number): number {
    return this.doc.font('plain').fontSize(size).widthOfString(text);
  }

  /** A picture as large as a box has room for, in its middle. */
  picture(drawing: Drawing, colours: PaperColours, box: Box): void {
    const own = roomyBox(drawing);
    const scale = Math.min(box.width / own.width, box.height / own.height);
    const [x, y] = [box.x + (box.width - scale * own.width) / 2, box.y + (box.height - scale * own.height) / 2];
    const unit = PICTURE_MM / WIDTHS_FOR / scale;
    const { doc } = this;
    doc.save().translate(x, y).scale(scale).translate(-own.x, -own.y).lineCap('round').lineJoin('round');
    for (const shape of shapesOf(drawing, colours, this.say)) {
      if (shape.kind === 'text') {
        doc.font('bold').fontSize(shape.size).fillColor(shape.fill);
        const width = doc.widthOfString(shape.text);
        doc.text(shape.text, shape.at.x - width / 2, shape.at.y - shape.size, { lineBreak: false });
        continue;
      }
      const { d, fill, stroke, width = 1, dash, opacity = 1 } = shape;
      doc
        .save()
        .opacity(opacity)
        .lineWidth(width * unit);
      if (dash) doc.dash(dash[0] * unit, { space: (dash[1] ?? dash[0]) * unit });
      doc.path(d);
      if (fill && stroke) doc.fillAndStroke(fill, stroke);
      else if (fill) doc.fill(fill);
      else doc.stroke(stroke ?? INK);
      doc.restore();
    }
    doc.restore();
  }
}
