/** Files made by hand, down to what they claim about themselves: zips, OpenDocument and Office Open XML sheets. */
import { crc32, deflateRawSync } from 'node:zlib';

/** A zip of parts; `claims` is the size that a part says it has. */
export function zipOf(parts: Record<string, string | Buffer>, claims: Record<string, number> = {}): Buffer {
  const files: Buffer[] = [];
  const directory: Buffer[] = [];
  let at = 0;
  for (const [name, content] of Object.entries(parts)) {
    const data = Buffer.from(content as Buffer);
    const packed = deflateRawSync(data);
    const fields = Buffer.alloc(26);
    fields.writeUInt16LE(20, 0);
    fields.writeUInt16LE(8, 4);
    fields.writeUInt32LE(crcOf(data), 10);
    fields.writeUInt32LE(packed.length, 14);
    fields.writeUInt32LE(claims[name] ?? data.length, 18);
    fields.writeUInt16LE(name.length, 22);
    const local = Buffer.concat([Buffer.from('PK\x03\x04', 'latin1'), fields, Buffer.from(name), packed]);
    const more = Buffer.alloc(18);
    more.writeUInt32LE(at, 14);
    directory.push(Buffer.concat([Buffer.from('PK\x01\x02\x14\x00', 'latin1'), fields, more.subarray(4), Buffer.from(name)]));
    files.push(local);
    at += local.length;
  }
  const central = Buffer.concat(directory);
  const end = Buffer.alloc(22);
  end.write('PK\x05\x06', 0, 'latin1');
  end.writeUInt16LE(files.length, 8);
  end.writeUInt16LE(files.length, 10);
  end.writeUInt32LE(central.length, 12);
  end.writeUInt32LE(at, 16);
  return Buffer.concat([...files, central, end]);
}
/** CRC-32 (ISO 3309); Node 20 has none of its own. */
function crcOf(data: Buffer): number {
  if (typeof crc32 === 'function') return crc32(data);
  let crc = ~0;
  for (const byte of data) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit += 1) crc = (crc >>> 1) ^ (0xedb88320 & -(crc & 1));
  }
  return ~crc >>> 0;
}
export const ods = (rows: string): Buffer =>
  zipOf({
    mimetype: 'application/vnd.oasis.opendocument.spreadsheet',
    'content.xml': `<?xml version="1.0"?><office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><office:body><office:spreadsheet><table:table table:name="S">${rows}</table:table></office:spreadsheet></office:body></office:document-content>`,
  });
export const cell = (text: string, repeated = 1) =>
  `<table:table-cell office:value-type="string" table:number-columns-repeated="${repeated}"><text:p>${text}</text:p></table:table-cell>`;
export const row = (cells: string, repeated = 1) =>
  `<table:table-row table:number-rows-repeated="${repeated}">${cells}</table:table-row>`;
export const xlsx = (sheet: Buffer | string, claims: Record<string, number> = {}): Buffer =>
  zipOf(
    {
      '[Content_Types].xml': '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>',
      'xl/workbook.xml':
        '<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheets><sheet name="S" sheetId="1"/></sheets></workbook>',
      'xl/worksheets/sheet1.xml': sheet,
    },
    claims,
  );
