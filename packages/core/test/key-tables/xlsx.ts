import { strToU8, zipSync } from 'fflate'

/** The least that ECMA-376 asks of a spreadsheet, with texts in its cells. */
export function xlsx(rows: readonly (readonly string[])[]): Uint8Array {
  const cells = rows
    .map(
      (row, r) =>
        `<row r="${r + 1}">${row
          .map(
            (text, c) =>
              `<c r="${String.fromCharCode(65 + c)}${r + 1}" t="inlineStr"><is><t>${text.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</t></is></c>`,
          )
          .join('')}</row>`,
    )
    .join('')
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
  const rel = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
  const packaged = 'http://schemas.openxmlformats.org/package/2006'
  return zipSync({
    '[Content_Types].xml': strToU8(
      `<Types xmlns="${packaged}/content-types"><Default Extension="xml" ContentType="application/xml"/><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>`,
    ),
    '_rels/.rels': strToU8(
      `<Relationships xmlns="${packaged}/relationships"><Relationship Id="rId1" Type="${rel}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    ),
    'xl/_rels/workbook.xml.rels': strToU8(
      `<Relationships xmlns="${packaged}/relationships"><Relationship Id="rId1" Type="${rel}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    ),
    'xl/workbook.xml': strToU8(
      `<workbook xmlns="${main}" xmlns:r="${rel}"><sheets><sheet name="Keys" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    ),
    'xl/worksheets/sheet1.xml': strToU8(
      `<worksheet xmlns="${main}"><sheetData>${cells}</sheetData></worksheet>`,
    ),
  })
}
