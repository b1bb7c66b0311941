// The part of the PDF package that its types do not name yet.
declare module 'pdfkit/output' {
  export function toBlob(document: PDFKit.PDFDocument): Promise<Blob>
}
