export {
  HARMONIES,
  SUGGESTIONS_APART,
  suggest,
  takeSuggestion,
  type SuggestedSwatch,
  type Suggestion,
} from './suggest.ts';
