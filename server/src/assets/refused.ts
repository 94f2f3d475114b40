/** Why a picture is refused, in one sentence. */
export class PictureRefused extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'PictureRefused';
  }
}
