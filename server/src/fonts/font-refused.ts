/** Why a font file is refused, in whole sentences: what is wrong, and what to do. */
export class FontRefused extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options);
    this.name = 'FontRefused';
  }
}
