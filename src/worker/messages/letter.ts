/**
 * Letters as real pages: US Letter, the brokerage on top, the address where a window envelope shows it (a number 10 with the window at the
 * left), marks at the edge where the page is folded in three; many as one file; labels of addresses, thirty on a sheet.
 */
import PDFDocument from 'pdfkit';
import { longDay } from '@/core/format';
import { figtree } from '../shared/fonts';

export interface LetterPage {
  brokerage: string;
  agent: string;
  name: string;
  address: string;
  text: string;
  at: Date;
  timeZone: string;
}
type Pdf = InstanceType<typeof PDFDocument>;

const INCH = 72;
const WIDE = 8.5 * INCH;
const HIGH = 11 * INCH;
const INK = '#14171C';
const SOFT = '#5B6470';

function made(title: string, author: string, at: Date, draw: (pdf: Pdf) => void): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const pdf = new PDFDocument({
      size: 'LETTER',
      autoFirstPage: false,
      font: figtree(400) as unknown as string,
      margins: { top: INCH, bottom: INCH, left: INCH, right: INCH },
      info: { Title: title, Author: author, CreationDate: at, ModDate: at },
    });
    const parts: Buffer[] = [];
    pdf.on('data', (part: Buffer) => parts.push(part));
    pdf.on('end', () => resolve(Buffer.concat(parts)));
    pdf.on('error', reject);
    pdf.registerFont('text', figtree(400));
    pdf.registerFont('strong', figtree(600));
    draw(pdf);
    pdf.end();
  });
}

/** One letter. Text beyond one page goes on to the next. */
export const renderLetter = (page: LetterPage): Promise<Buffer> => renderLetters([page], `Letter to ${page.name}`);

/** Many letters in one file, each beginning on a page of its own. There must be one at least. */
export const renderLetters = (pages: readonly LetterPage[], title: string): Promise<Buffer> =>
  made(title, pages[0]!.brokerage, pages[0]!.at, (pdf) => {
    for (const page of pages) {
      pdf.addPage();
      drawLetter(pdf, page);
    }
  });

const linesOf = (name: string, address: string): string => {
  const [street = '', ...town] = address.split(', ');
  return [name, street, town.join(', ')].filter(Boolean).join('\n');
};

function drawLetter(pdf: Pdf, page: LetterPage): void {
  for (const third of [1, 2])
    pdf
      .moveTo(0, (HIGH / 3) * third)
      .lineTo(14, (HIGH / 3) * third)
      .lineWidth(0.5)
      .strokeColor(SOFT)
      .stroke();
  pdf.font('strong').fontSize(15).fillColor('#0B6B7F').text(page.brokerage, INCH, INCH);
  pdf.font('text').fontSize(9).fillColor(SOFT).text(page.agent);
  pdf
    .moveTo(INCH, pdf.y + 6)
    .lineTo(WIDE - INCH, pdf.y + 6)
    .lineWidth(0.75)
    .strokeColor(INK)
    .stroke();
  pdf
    .fillColor(INK)
    .fontSize(10.5)
    .text(linesOf(page.name, page.address), INCH, 2.1 * INCH, { lineGap: 3, width: 3.4 * INCH });
  pdf
    .fillColor(SOFT)
    .fontSize(9.5)
    .text(longDay(page.at, page.timeZone), INCH, HIGH / 3 - 20);
  pdf
    .fillColor(INK)
    .fontSize(11)
    .text(page.text, INCH, 3.9 * INCH, { lineGap: 4, width: WIDE - 2 * INCH });
}

const LABEL = { across: 3, down: 10, wide: 2.625 * INCH, high: INCH, left: 0.1875 * INCH, top: 0.5 * INCH, gap: 0.125 * INCH };

/** Addresses on sheets of thirty labels, 2 5/8 by 1 inch, row by row. There must be one at least. */
export const renderLabels = (
  labels: readonly { name: string; address: string }[],
  { title, author, at }: { title: string; author: string; at: Date },
): Promise<Buffer> =>
  made(title, author, at, (pdf) => {
    labels.forEach(({ name, address }, n) => {
      const place = n % (LABEL.across * LABEL.down);
      if (place === 0) pdf.addPage({ margin: 0 });
      const x = LABEL.left + (place % LABEL.across) * (LABEL.wide + LABEL.gap);
      const y = LABEL.top + Math.floor(place / LABEL.across) * LABEL.high;
      pdf
        .font('text')
        .fontSize(10)
        .fillColor(INK)
        .text(linesOf(name, address), x + 9, y + 16, {
          width: LABEL.wide - 18,
          height: LABEL.high - 20,
          lineGap: 2,
          ellipsis: true,
        });
    });
  });
