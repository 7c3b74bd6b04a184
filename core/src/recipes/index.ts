export { foldMethods, methodsAfter, nextVersion } from './kept-methods.ts';
export { thingsOf } from './asks.ts';
export { measureMethod, type Measured, type MeasuredStep } from './measure.ts';
export * from './edit.ts';
export { differences, type Difference, type Told } from './differences.ts';
export {
  isoDuration,
  kgOf,
  minutesInText,
  minutesOfIso,
  readRecipe,
  recipeOf,
  type RecipeLd,
} from './recipe.ts';
export { planInstructions } from './instructions.ts';
export { methodJson, MOST_FILE_CHARS, readMethodFile, type MethodRead } from './file.ts';
export { fieldsOfStep, withField, type StepField } from './fields.ts';
