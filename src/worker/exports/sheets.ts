/** Labels and cards on sheets of labels as PDF: one address a place, one letter a household if asked; cards carry a QR code that a phone takes into its address book. */
import type { PassThrough } from 'node:stream';
import PDFDocument from 'pdfkit';
import QRCode from 'qrcode';
import { labelLines, labelPlace, SHEETS, vcardOf, type ExportOptions, type OutgoingPerson } from '@/core/exports';
import { showPhone } from '@/core/capture';
import { AppError } from '@/core/shared';
import { figtree } from '../shared/fonts';

const PAD = 9;
/** Beyond this nobody sticks labels by hand; a print house takes the CSV. */
const MOST = 20_000;
/** A QR code holds so much and stays readable at this size. */
const MOST_QR = 700;

type Sheet = { begin: () => void; person: (person: OutgoingPerson) => Promise<void>; end: () => Promise<void> };

export function sheets(kind: 'labels' | 'cards', out: PassThrough, options: ExportOptions, brokerage: string): Sheet {
  const sheet = SHEETS[options.sheet ?? 'thirty'];
  const pdf = new PDFDocument({ size: sheet.paper, margin: 0, autoFirstPage: false, bufferPages: false });
  let place = Math.min(options.start ?? 0, sheet.columns * sheet.rows - 1);
  let page = -1;
  let count = 0;
  const households = new Map<string, OutgoingPerson[]>();

  const next = (): { x: number; y: number } => {
    if ((count += 1) > MOST)
      throw new AppError(
        'input_invalid',
        `These are more than ${MOST.toLocaleString('en-US')} labels. Export a CSV for a print house instead.`,
      );
    const at = labelPlace(sheet, place);
    place += 1;
    if (at.page !== page) {
      page = at.page;
      pdf.addPage();
    }
    return at;
  };
  const label = (people: OutgoingPerson[]) => {
    const lines = labelLines(people);
    if (!lines.length) return;
    const { x, y } = next();
    const size = lines.length > 4 ? 8.5 : 10;
    lines.slice(0, 5).forEach((line, n) => {
      pdf.font(n === 0 ? 'strong' : 'text').fontSize(size);
      pdf.text(line, x + PAD, y + PAD + n * (size + 3.2), {
        width: sheet.width - 2 * PAD,
        height: size + 3,
        ellipsis: true,
        lineBreak: false,
      });
    });
  };
  const card = async (person: OutgoingPerson) => {
    const { x, y } = next();
    const plain = { ...person, tags: [], dates: [] };
    const text = vcardOf(plain, brokerage);
    const side = sheet.height - 2 * PAD;
    const image = await QRCode.toBuffer(
      text.length > MOST_QR
        ? vcardOf(
            { ...plain, company: null, street: null, emails: person.emails.slice(0, 1), phones: person.phones.slice(0, 1) },
            brokerage,
          )
        : text,
      { margin: 0, scale: 4, errorCorrectionLevel: 'L' },
    );
    pdf.image(image, x + PAD, y + PAD, { width: side, height: side });
    const lines = [
      `${person.first_name} ${person.last_name}`.trim() || (person.company ?? ''),
      person.phones[0] ? showPhone(person.phones[0].number) : '',
      person.emails[0] ?? '',
    ].filter(Boolean);
    lines.forEach((line, n) => {
      pdf.font(n === 0 ? 'strong' : 'text').fontSize(n === 0 ? 9 : 7.5);
      pdf.text(line, x + PAD + side + 6, y + PAD + n * 12, {
        width: sheet.width - side - 2 * PAD - 6,
        height: 11,
        ellipsis: true,
        lineBreak: false,
      });
    });
  };

  return {
    begin: () => {
      pdf.registerFont('text', figtree(400));
      pdf.registerFont('strong', figtree(600));
      pdf.pipe(out);
    },
    person: async (person) => {
      if (kind === 'cards') return card(person);
      if (options.per_household && person.household) {
        households.set(person.household, [...(households.get(person.household) ?? []), person]);
        return;
      }
      label([person]);
    },
    end: () =>
      new Promise((resolve, reject) => {
        for (const people of households.values()) label(people);
        if (page < 0) {
          pdf.addPage();
          pdf.font('text').fontSize(11).text('Nobody of these has a street to send to.', 72, 72);
        }
        out.once('finish', resolve);
        out.once('error', reject);
        pdf.end();
      }),
  };
}
