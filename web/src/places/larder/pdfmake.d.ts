/** What of the package the labels use. */
declare module 'pdfmake/build/pdfmake.js' {
  interface Document {
    readonly pageSize: { readonly width: number; readonly height: number };
    readonly pageMargins: number;
    readonly defaultStyle: { readonly font: string };
    readonly content: readonly {
      readonly svg: string;
      readonly width: number;
      readonly pageBreak?: 'after';
    }[];
  }
  const pdfMake: {
    addVirtualFileSystem(files: Readonly<Record<string, string>>): void;
    addFonts(fonts: Readonly<Record<string, { readonly normal: string; readonly bold: string }>>): void;
    createPdf(document: Document): { getBlob(): Promise<Blob> };
  };
  export default pdfMake;
}
