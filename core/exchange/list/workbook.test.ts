import { describe, expect, test } from '@jest/globals'
import { CFB } from '@e965/xlsx'
import { strToU8, zipSync } from 'fflate'
import writeXlsxFile, { type SheetData } from 'write-excel-file/node'
import { readListFile, type TableReading } from '../index'

/** Workbooks made by another library, and by hand after ECMA-376 (.xlsx) and OpenDocument 1.3 (.ods). */
async function made(sheets: readonly { readonly sheet: string; readonly data: SheetData }[]): Promise<Uint8Array> {
  return new Uint8Array(await writeXlsxFile([...sheets]).toBuffer())
}
/** One sheet `Quay` with styles: 1 is a day, 2 a month and a year, 3 money. */
function byHand(sheetXml: string, workbookExtra = '', sharedStrings: readonly string[] = []): Uint8Array {
  const xml = (...parts: readonly string[]): Uint8Array =>
    strToU8(`<?xml version="1.0" encoding="UTF-8" standalone="yes"?>${parts.join('')}`)
  const main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
  const relations = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
  const packages = 'http://schemas.openxmlformats.org/package/2006'
  const type = (name: string): string => `application/vnd.openxmlformats-officedocument.spreadsheetml.${name}+xml`
  const related = (...targets: readonly (readonly [type: string, target: string])[]): Uint8Array =>
    xml(
      `<Relationships xmlns="${packages}/relationships">`,
      ...targets.map(([name, target], at) => `<Relationship Id="r${at + 1}" Type="${relations}/${name}" Target="${target}"/>`),
      '</Relationships>',
    )
  return zipSync({
    '[Content_Types].xml': xml(
      `<Types xmlns="${packages}/content-types"><Default Extension="xml" ContentType="application/xml"/>`,
      '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>',
      ...(
        [
          ['workbook', 'sheet.main'],
          ['worksheets/sheet1', 'worksheet'],
          ['styles', 'styles'],
          ['sharedStrings', 'sharedStrings'],
        ] as const
      ).map(([part, name]) => `<Override PartName="/xl/${part}.xml" ContentType="${type(name)}"/>`),
      '</Types>',
    ),
    '_rels/.rels': related(['officeDocument', 'xl/workbook.xml']),
    'xl/workbook.xml': xml(
      `<workbook xmlns="${main}" xmlns:r="${relations}">${workbookExtra}`,
      '<sheets><sheet name="Quay" sheetId="1" r:id="r1"/></sheets></workbook>',
    ),
    'xl/_rels/workbook.xml.rels': related(
      ['worksheet', 'worksheets/sheet1.xml'],
      ['styles', 'styles.xml'],
      ['sharedStrings', 'sharedStrings.xml'],
    ),
    'xl/styles.xml': xml(
      `<styleSheet xmlns="${main}"><numFmts count="2"><numFmt numFmtId="164" formatCode="mmm\\-yy"/>`,
      '<numFmt numFmtId="165" formatCode="&quot;$&quot;#,##0.00"/></numFmts>',
      '<fonts count="1"><font/></fonts><fills count="1"><fill/></fills>',
      '<borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs>',
      '<cellXfs count="4"><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="164"/><xf numFmtId="165"/></cellXfs></styleSheet>',
    ),
    'xl/sharedStrings.xml': xml(`<sst xmlns="${main}">${sharedStrings.map(text => `<si><t>${text}</t></si>`).join('')}</sst>`),
    'xl/worksheets/sheet1.xml': xml(`<worksheet xmlns="${main}">${sheetXml}</worksheet>`),
  })
}
const row = (at: number, ...cells: readonly string[]): string => `<row r="${at}">${cells.join('')}</row>`
const inline = (at: string, text: string): string => `<c r="${at}" t="inlineStr"><is><t>${text}</t></is></c>`
const rowsOf = (reading: TableReading) => {
  if (!reading.ok) throw new Error(reading.code)
  return reading.table.rows
}

describe('a list in a workbook', () => {
  test('texts, figures, dates, yes and no of another library: each cell as a person reads it', async () => {
    const texts = ['Kelp & Gull', 'two\nlines', '"so, proud" <i>', '=SUM(A1:A9)', 'Möwe', '  kept  within', '0012', "'quoted"]
    const data: SheetData = [
      ['Name', 'Date in', 'Price', 'Used', 'Notes'].map(value => ({ value, type: String })),
      ...texts.map((text, at) => [
        { value: text, type: String as StringConstructor },
        { value: new Date(Date.UTC(2019, at, 28 - at)), type: Date as DateConstructor, format: 'dd/mm/yyyy' },
        { value: at + 0.5, type: Number as NumberConstructor },
        { value: at % 2 === 0, type: Boolean as BooleanConstructor },
        null,
      ]),
    ]
    const rows = rowsOf(await readListFile(await made([{ sheet: 'List', data }])))
    expect(rows).toEqual(
      texts.map((text, at) => [
        text.trim(),
        `2019-${String(at + 1).padStart(2, '0')}-${28 - at}`,
        `${at + 0.5}`,
        at % 2 === 0 ? 'yes' : 'no',
        '',
      ]),
    )
  })

  test('shared strings, both date systems, a month without a day, money, stored values of formulas', async () => {
    const headings = [inline('A1', 'Name'), inline('B1', 'Date in'), inline('C1', 'Since'), inline('D1', 'Paid'), inline('E1', 'No')]
    const cells = (day: number): readonly string[] => [
      '<c r="A2" t="s"><v>1</v></c>',
      `<c r="B2" s="1"><v>${day}</v></c>`,
      `<c r="C2" s="2"><v>${day}</v></c>`,
      '<c r="D2" s="3"><v>1234.5</v></c>',
      '<c r="E2"><f>6*7</f><v>42</v></c>',
    ]
    const last = ['<c r="A3" t="s"><v>0</v></c>', '<c r="E3"><f>NOW()</f></c>']
    const sheet = (day: number): string => `<sheetData>${row(1, ...headings)}${row(2, ...cells(day))}${row(3, ...last)}</sheetData>`
    // 43831 days after the end of 1899 (as spreadsheets count), and 42369 after the first of 1904, are 1 January 2020.
    for (const [day, extra] of [
      [43_831, ''],
      [42_369, '<workbookPr date1904="1"/>'],
    ] as const) {
      const reading = await readListFile(byHand(sheet(day), extra, ['Gull', 'Kelp']))
      expect(rowsOf(reading)).toEqual([
        ['Kelp', '2020-01-01', '2020-01', '$1,234.50', '42'],
        ['Gull', '', '', '', ''],
      ])
      expect(reading).toMatchObject({ table: { source: { kind: 'sheet', name: 'Quay', withoutValue: 1 } } })
    }
  })

  test('joined cells say what they say for each of their rows; a million empty formatted rows are none', async () => {
    const reading = await readListFile(
      byHand(
        [
          '<dimension ref="A1:XFD1048576"/><sheetData>',
          row(1, inline('A1', 'Name'), inline('B1', 'Brand')),
          row(2, inline('A2', 'Kelp'), inline('B2', 'Greywether')),
          row(3, inline('A3', 'Gull')),
          row(4, inline('A4', 'Fern'), inline('B4', 'Tidewrack')),
          row(1_048_576, '<c r="XFD1048576" s="1"/>'),
          '</sheetData><mergeCells count="1"><mergeCell ref="B2:B3"/></mergeCells>',
        ].join(''),
      ),
    )
    expect(rowsOf(reading)).toEqual([
      ['Kelp', 'Greywether'],
      ['Gull', 'Greywether'],
      ['Fern', 'Tidewrack'],
    ])
    expect(reading).toMatchObject({ table: { source: { merged: 1 } } })
  })

  test('of many sheets the first that holds a list is read, and any other can be chosen', async () => {
    const list = (name: string): SheetData => [
      [{ value: 'Name' }, { value: 'Brand' }],
      [{ value: name }, { value: 'Greywether' }],
    ]
    const sheets = Array.from({ length: 200 }, (_, at) => ({
      sheet: `S${at + 1}`,
      data: at === 0 ? [[{ value: 'About this file' }]] : list(`Set ${at + 1}`),
    }))
    const bytes = await made(sheets)
    const first = await readListFile(bytes)
    expect(rowsOf(first)).toEqual([['Set 2', 'Greywether']])
    if (!first.ok || first.table.source.kind !== 'sheet') throw new Error('a sheet')
    expect(first.table.source.sheets).toHaveLength(200)
    expect(rowsOf(await readListFile(bytes, 'S150'))).toEqual([['Set 150', 'Greywether']])
    expect(await readListFile(bytes, 'S1')).toEqual({ ok: false, code: 'oneColumn' })
  })

  test('an OpenDocument sheet', async () => {
    const space = 'urn:oasis:names:tc:opendocument:xmlns'
    const names = ['office', 'table', 'text'].map(each => `xmlns:${each}="${space}:${each}:1.0"`).join(' ')
    const document = (part: string, body: string): string =>
      `<?xml version="1.0" encoding="UTF-8"?><office:document-${part} ${names} office:version="1.3">${body}</office:document-${part}>`
    const manifest = `<?xml version="1.0"?><manifest:manifest xmlns:manifest="${space}:manifest:1.0" manifest:version="1.3"/>`
    const cell = (text: string, value = 'office:value-type="string"'): string =>
      `<table:table-cell ${value}><text:p>${text}</text:p></table:table-cell>`
    const line = (...cells: readonly string[]): string => `<table:table-row>${cells.join('')}</table:table-row>`
    const lines = [
      line(cell('Name'), cell('Ort'), cell('Datum')),
      line(cell('Möwe'), cell('Kiste 4'), cell('15.03.19', 'office:value-type="date" office:date-value="2019-03-15"')),
    ]
    const content = document(
      'content',
      `<office:body><office:spreadsheet><table:table table:name="Kai">${lines.join('')}</table:table></office:spreadsheet></office:body>`,
    )
    const styles = document('styles', '')
    const bytes = zipSync({
      mimetype: strToU8('application/vnd.oasis.opendocument.spreadsheet'),
      'content.xml': strToU8(content),
      'styles.xml': strToU8(styles),
      'META-INF/manifest.xml': strToU8(manifest),
    })
    expect(rowsOf(await readListFile(bytes))).toEqual([['Möwe', 'Kiste 4', '2019-03-15']])
  })
})

describe('what is no list', () => {
  test('a package of something else, a cut file, a locked one, one that unpacks to a heap: each is said', async () => {
    expect(await readListFile(zipSync({ 'catalogue.json': strToU8('{}') }))).toEqual({ ok: false, code: 'notSpreadsheet' })
    const whole = byHand(`<sheetData>${row(1, inline('A1', 'Name'), inline('B1', 'Brand'))}</sheetData>`)
    expect(await readListFile(whole)).toEqual({ ok: false, code: 'noRows' })
    expect(await readListFile(whole.slice(0, whole.length - 40))).toEqual({ ok: false, code: 'brokenWorkbook' })
    const locked = CFB.utils.cfb_new()
    CFB.utils.cfb_add(locked, '/EncryptionInfo', Buffer.from([4, 0, 4, 0, 0x40, 0, 0, 0]))
    CFB.utils.cfb_add(locked, '/EncryptedPackage', Buffer.alloc(64))
    expect(await readListFile(new Uint8Array(CFB.write(locked, { type: 'buffer' }) as Buffer))).toEqual({ ok: false, code: 'password' })
    // A package says of each file, in its directory, how long it is unpacked (APPNOTE 4.3.12).
    const heap = zipSync({ 'xl/workbook.xml': strToU8('<workbook/>') })
    const directory = Buffer.from(heap.buffer).indexOf('PK\u0001\u0002', 0, 'latin1')
    new DataView(heap.buffer).setUint32(directory + 24, 300 * 1024 * 1024, true)
    expect(await readListFile(heap)).toEqual({ ok: false, code: 'tooLarge' })
  })
})

describe('workbooks that would take more than there is', () => {
  const text = 'low water '.repeat(30_000)
  const shared = (index: number): string => `<c t="s"><v>${index}</v></c>`
  test('one long text that three thousand cells share: more than a list', async () => {
    const rows = Array.from({ length: 3000 }, (_, at) => row(at + 2, shared(0), shared(1))).join('')
    const book = byHand(`<sheetData>${row(1, shared(1), shared(2))}${rows}</sheetData>`, '', [text, 'Name', 'Notes'])
    expect(book.length).toBeLessThan(60_000)
    expect(await readListFile(book)).toEqual({ ok: false, code: 'tooLarge' })
  })
  test('forty thousand joined cells over thirty thousand rows are told, and not worked through', async () => {
    const rows = Array.from({ length: 30 }, (_, at) => row(at + 1, shared(0), shared(1))).join('')
    const joined = Array.from({ length: 40_000 }, () => '<mergeCell ref="A2:A30000"/>').join('')
    const book = byHand(`<sheetData>${rows}</sheetData><mergeCells count="40000">${joined}</mergeCells>`, '', ['Name', 'Notes'])
    expect(await readListFile(book)).toEqual({ ok: false, code: 'tooManyJoined' })
  })
  test('texts that the file does not hold: damaged, and not empty', async () => {
    const book = byHand(`<sheetData>${row(1, shared(7), shared(8))}${row(2, shared(9), shared(9))}</sheetData>`, '', ['Name'])
    expect(await readListFile(book)).toEqual({ ok: false, code: 'brokenWorkbook' })
  })
})
