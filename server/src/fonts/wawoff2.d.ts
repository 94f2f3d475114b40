declare module 'wawoff2' {
  /** Packs an sfnt font as woff2. */
  export function compress(sfnt: Uint8Array): Promise<Uint8Array>;
  export function decompress(woff2: Uint8Array): Promise<Uint8Array>;
}
