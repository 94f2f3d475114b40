/** Languages that a site is often written in; any other can be set later. */
export const LANGUAGES: readonly { readonly value: string; readonly label: string }[] = [
  ['en', 'English'], ['de', 'Deutsch'], ['fr', 'Français'], ['es', 'Español'], ['it', 'Italiano'], ['pt', 'Português'], ['nl', 'Nederlands'], ['da', 'Dansk'], ['sv', 'Svenska'], ['nb', 'Norsk'], ['fi', 'Suomi'],
  ['pl', 'Polski'], ['cs', 'Čeština'], ['hu', 'Magyar'], ['tr', 'Türkçe'], ['el', 'Ελληνικά'], ['uk', 'Українська'], ['he', 'עברית'], ['ar', 'العربية'], ['hi', 'हिन्दी'], ['ja', '日本語'], ['ko', '한국어'], ['zh', '中文'],
].map(([value, label]) => ({ value: value!, label: label! }));
