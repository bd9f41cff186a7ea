/** Labels and cards on sheets of labels as PDF: one address a place, one letter a household if asked; cards carry a QR code that a phone takes into its address book. */
import { formatNumber } from '@/core/format';
import type { PassThrough } from 'node:stream';
import PDFDocument from 'pdfkit';
import QRCode from 'qrcode';
import type { OutgoingPerson } from '@/core/columns';
import { labelLines, labelPlace, SHEETS, vcardOf, type ExportOptions } from '@/core/exports';
import { showPhone } from '@/core/capture';
import { AppError } from '@/core/shared';
import { figtree } from '../shared/fonts';

const PAD = 9;
/** Beyond this nobody sticks labels by hand; a print house takes the CSV. */
const MOST = 20_000;
/** A QR code holds so much and stays readable at this size. */
const MOST_QR = 700;

type Sheet = { begin: () => void; person: (person: OutgoingPerson) => Promise<void>; end: () => Promise<void> };

const ONE_LINE = { ellipsis: true, lineBreak: false } as const;

/** The places of a sheet, filled one after the other, page after page. */
class Places {
  readonly pdf: PDFKit.PDFDocument;
  private place: number;
  private page = -1;
  private count = 0;

  constructor(
    readonly sheet: (typeof SHEETS)[keyof typeof SHEETS],
    start: number,
  ) {
    this.pdf = new PDFDocument({ size: sheet.paper, margin: 0, autoFirstPage: false, bufferPages: false });
    this.place = Math.min(start, sheet.columns * sheet.rows - 1);
  }
  get isEmpty(): boolean {
    return this.page < 0;
  }

  /** @throws AppError input_invalid when there are more than anybody sticks by hand */
  next(): { x: number; y: number } {
    if ((this.count += 1) > MOST)
      throw new AppError(
        'input_invalid',
        `These are more than ${formatNumber(MOST)} labels. Export a CSV for a print house instead.`,
      );
    const at = labelPlace(this.sheet, this.place);
    this.place += 1;
    if (at.page !== this.page) {
      this.page = at.page;
      this.pdf.addPage();
    }
    return at;
  }

  label(people: OutgoingPerson[]): void {
    const lines = labelLines(people);
    if (!lines.length) return;
    const { x, y } = this.next();
    const size = lines.length > 4 ? 8.5 : 10;
    lines.slice(0, 5).forEach((line, n) => {
      this.pdf.font(n === 0 ? 'strong' : 'text').fontSize(size);
      const box = { width: this.sheet.width - 2 * PAD, height: size + 3, ...ONE_LINE };
      this.pdf.text(line, x + PAD, y + PAD + n * (size + 3.2), box);
    });
  }

  async card(person: OutgoingPerson, brokerage: string): Promise<void> {
    const { x, y } = this.next();
    const side = this.sheet.height - 2 * PAD;
    const code = { margin: 0, scale: 4, errorCorrectionLevel: 'L' } as const;
    const image = await QRCode.toBuffer(cardText(person, brokerage), code);
    this.pdf.image(image, x + PAD, y + PAD, { width: side, height: side });
    const lines = [
      `${person.first_name} ${person.last_name}`.trim() || (person.company ?? ''),
      person.phones[0] ? showPhone(person.phones[0].number) : '',
      person.emails[0] ?? '',
    ].filter(Boolean);
    lines.forEach((line, n) => {
      this.pdf.font(n === 0 ? 'strong' : 'text').fontSize(n === 0 ? 9 : 7.5);
      const box = { width: this.sheet.width - side - 2 * PAD - 6, height: 11, ...ONE_LINE };
      this.pdf.text(line, x + PAD + side + 6, y + PAD + n * 12, box);
    });
  }
}

/** A card that a phone takes into its address book; without what is beside the point where it would be too dense to be read. */
function cardText(person: OutgoingPerson, brokerage: string): string {
  const plain = { ...person, tags: [], dates: [] };
  const text = vcardOf(plain, brokerage);
  if (text.length <= MOST_QR) return text;
  const [email, phone] = [person.emails.slice(0, 1), person.phones.slice(0, 1)];
  return vcardOf({ ...plain, company: null, street: null, emails: email, phones: phone }, brokerage);
}

export function sheets(kind: 'labels' | 'cards', out: PassThrough, options: ExportOptions, brokerage: string): Sheet {
  const places = new Places(SHEETS[options.sheet ?? 'thirty'], options.start ?? 0);
  const { pdf } = places;
  const households = new Map<string, OutgoingPerson[]>();
  return {
    begin: () => {
      pdf.registerFont('text', figtree(400));
      pdf.registerFont('strong', figtree(600));
      pdf.pipe(out);
    },
    person: async (person) => {
      if (kind === 'cards') return places.card(person, brokerage);
      if (options.per_household && person.household) {
        households.set(person.household, [...(households.get(person.household) ?? []), person]);
        return;
      }
      places.label([person]);
    },
    end: () =>
      new Promise((resolve, reject) => {
        for (const people of households.values()) places.label(people);
        if (places.isEmpty) {
          pdf.addPage();
          pdf.font('text').fontSize(11).text('None of these contacts has a mailing address.', 72, 72);
        }
        out.once('finish', resolve);
        out.once('error', reject);
        pdf.end();
      }),
  };
}
