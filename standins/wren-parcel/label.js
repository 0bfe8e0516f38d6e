// A label as a PDF: whom it comes from and goes to, and its number as a Code 128 barcode. Written by hand, since it is one page of
// rectangles and lines of text (ISO 32000-1).
import bwipjs from 'bwip-js/node';

const escaped = (text) => text.normalize('NFKD').replace(/[^\x20-\x7e]/g, '').replace(/[\\()]/g, '\\$&').slice(0, 60);

// Widths of bars and gaps in turn, in modules.
const widths = (text) => bwipjs.raw('code128', text, {})[0].sbs;

function bars(number, left, bottom, width, height) {
    const all = widths(number);
    const unit = width / all.reduce((sum, one) => sum + one, 0);
    let x = left;
    return all.map((one, index) => {
        const bar = index % 2 === 0 ? `${x.toFixed(2)} ${bottom} ${(one * unit).toFixed(2)} ${height} re f` : '';
        x += one * unit;
        return bar;
    }).filter(Boolean).join('\n');
}

export function labelPdf({ number, reference, from, to }) {
    const lines = [['From', from?.name, from?.address, from?.country], ['To', to?.name, '', to?.country]];
    const texts = lines.flatMap(([head, ...said], block) => [[9, head], ...said.filter(Boolean).map((text) => [12, String(text)])].map(([size, text], line) => `BT /F1 ${size} Tf 24 ${370 - block * 110 - line * 18} Td (${escaped(text)}) Tj ET`));
    const content = [`BT /F1 18 Tf 24 400 Td (Wren Parcel) Tj ET`, ...texts, bars(number, 24, 60, 240, 70), `BT /F1 12 Tf 24 40 Td (${escaped(number)}) Tj ET`, `BT /F1 10 Tf 180 40 Td (${escaped(reference ?? '')}) Tj ET`].join('\n');
    const objects = [
        '<< /Type /Catalog /Pages 2 0 R >>', '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
        '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 288 432] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
        `<< /Length ${Buffer.byteLength(content)} >>\nstream\n${content}\nendstream`, '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
    ];
    let pdf = '%PDF-1.4\n';
    const offsets = objects.map((object, index) => {
        const at = pdf.length;
        pdf += `${index + 1} 0 obj\n${object}\nendobj\n`;
        return at;
    });
    const table = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
    return `${pdf}xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${table}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${pdf.length}\n%%EOF\n`;
}
