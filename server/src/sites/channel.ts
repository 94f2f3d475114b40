/** Channel on which other processes hear that a site has a new sequence. */
export const CHANGES_CHANNEL = 'yohaku_changes';
