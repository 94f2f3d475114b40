export { LetterRefused, MOST_LETTERS, listLetters, markLetter, removeLetter, takeLetter } from './letters.ts';
