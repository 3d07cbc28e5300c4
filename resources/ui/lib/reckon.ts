import type { Schemas } from '@/api/client'

type Fault = Schemas['ReckonFault']
type List = readonly unknown[]

const isFault = (answer: object): answer is Fault => 'error' in answer && 'message' in answer

/** What one question was answered; null where the answer says what is wrong with it. */
export function answered<T extends object>(answer: T | Fault | List | undefined): T | null {
  return answer === undefined || Array.isArray(answer) || isFault(answer) ? null : (answer as T)
}

/** What is wrong with one question; null where it was answered. */
export function refused(answer: object | List | undefined): Fault | null {
  return answer !== undefined && !Array.isArray(answer) && isFault(answer) ? answer : null
}

/** Answers to many questions, in their order. */
export function each<T extends object>(answer: T | Fault | readonly (T | Fault)[] | undefined): (T | null)[] {
  return Array.isArray(answer) ? answer.map((one: T | Fault) => answered<T>(one)) : []
}
