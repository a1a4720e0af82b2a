import { expose } from 'comlink';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';

// The program of the reader ships with the app; by itself it would be fetched from elsewhere.
prepareZXingModule({
  overrides: { locateFile: (file: string) => `${self.location.origin}/scan/${file}` },
});

const api = {
  /** What the first QR of a picture says; empty where there is none. */
  async read(picture: ImageData): Promise<string> {
    const [first] = await readBarcodes(picture, { formats: ['QRCode'], maxNumberOfSymbols: 1 });
    return first?.text ?? '';
  },
};

export type ScanApi = typeof api;
expose(api);
