/** A letter as a real page: A-size of the trade (US Letter), the brokerage on top, the address where a window envelope shows it. */
import { createRequire } from 'node:module';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import { dayAndTime } from '@/core/shared';

/** Fonts ship as a package; processes run in the root of the project, as every script of ours starts them. */
const fromRoot = createRequire(join(process.cwd(), 'package.json'));
const font = (weight: number): string => fromRoot.resolve(`@fontsource/figtree/files/figtree-latin-${weight}-normal.woff`);

export interface LetterPage {
  brokerage: string;
  agent: string;
  name: string;
  address: string;
  text: string;
  at: Date;
  timeZone: string;
}

const INCH = 72;

/** Renders the page as PDF. Text beyond one page goes on to the next. */
export function renderLetter(page: LetterPage): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const pdf = new PDFDocument({
      size: 'LETTER',
      margins: { top: INCH, bottom: INCH, left: INCH, right: INCH },
      info: { Title: `Letter to ${page.name}`, Author: page.brokerage, CreationDate: page.at, ModDate: page.at },
    });
    const parts: Buffer[] = [];
    pdf.on('data', (part: Buffer) => parts.push(part));
    pdf.on('end', () => resolve(Buffer.concat(parts)));
    pdf.on('error', reject);
    pdf.registerFont('text', font(400));
    pdf.registerFont('strong', font(600));
    pdf.font('strong').fontSize(15).fillColor('#0B6B7F').text(page.brokerage);
    pdf.font('text').fontSize(9).fillColor('#5B6470').text(page.agent);
    pdf
      .moveTo(INCH, pdf.y + 6)
      .lineTo(8.5 * INCH - INCH, pdf.y + 6)
      .lineWidth(0.75)
      .strokeColor('#14171C')
      .stroke();
    const [street = '', ...town] = page.address.split(', ');
    pdf
      .fillColor('#14171C')
      .fontSize(10.5)
      .text([page.name, street, town.join(', ')].filter(Boolean).join('\n'), INCH, 2.1 * INCH, { lineGap: 3 });
    pdf
      .fillColor('#5B6470')
      .fontSize(9.5)
      .text(dayAndTime(page.at, page.timeZone).replace(/,.*$/, ''), INCH, 3.4 * INCH);
    pdf
      .fillColor('#14171C')
      .fontSize(11)
      .text(page.text, INCH, 3.9 * INCH, { lineGap: 4, width: 6.5 * INCH });
    pdf.end();
  });
}
