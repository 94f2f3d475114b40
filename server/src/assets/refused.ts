/** Why a picture is refused, in one sentence. */
export class PictureRefused extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'PictureRefused';
  }
}

/** Why a file is not kept for visitors to download, in one sentence. */
export class DownloadRefused extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'DownloadRefused';
  }
}
