/**
 * An export that failed because the server lacks files of the site. The message names the files and says what to do.
 */
export class ExportRefused extends Error {
  constructor(without: readonly string[]) {
    const named =
      without.length > 4 ? `${without.slice(0, 4).join(', ')} and ${without.length - 4} more` : without.join(', ');
    super(
      `These files are missing on this server: ${named}. Nothing was published and nothing changed. Upload them again or remove them from the site, then publish.`,
    );
    this.name = 'ExportRefused';
  }
}
