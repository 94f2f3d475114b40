export { StandingSign, VerdictRule } from './verdict-rule.ts';
export { NumberField } from './number-field.ts';
export { TextField } from './text-field.ts';
export { Choice, type ChoiceOption } from './choice.ts';
export { Pull, type Pulled } from './pull.ts';
export { lateChart, type DrawnChart } from './late-chart.ts';
export { isTyping } from './typing.ts';
export { nameProblem } from './name-problem.ts';
export { HeirAsk } from './heir-ask.ts';
