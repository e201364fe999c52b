/** Judging a knot of the catalogue, with common practice as it is now. What a verdict is made of stands in verdict.ts, which knows neither. */
import { entryById } from '../../knots/catalogue/lookup';
import { rulesOf, type Profile } from '../../profiles';
import { judgeBy, type Judgement, type JudgeInput } from './verdict';

/**
 * @param common false: without common practice
 * @throws unknown-knot; as `judgeBy`
 */
export function judge(profile: Profile, input: JudgeInput, common = true): Judgement {
  return judgeBy(rulesOf(profile, common), entryById(input.knot), input);
}
