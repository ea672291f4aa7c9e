import { createContext, useContext } from 'react'
import { OPTIONS, fieldWords, type FieldWords } from './fields.js'

/** How a form made from a shape says its fields and choices. */
export interface FormWords {
  field(path: string, name: string): FieldWords
  option(value: string): string
}

const WORDS: Record<string, string> = {
  voc: 'Voc',
  w: 'width',
  h: 'height',
  p: 'active',
  q: 'reactive',
  t: 'time',
  id: 'name',
}
/** "cellTemperature" → "cell temperature": the keys of an open format, for those who write it. */
const KEYS: FormWords = {
  field: (_path, name) => ({ label: WORDS[name] ?? name.replace(/([A-Z])/g, ' $1').toLowerCase() }),
  option: (value) => value,
}

export const wordsOfCalculator = (calculator: string): FormWords => ({
  field: (path, name) => fieldWords(calculator, path, name),
  option: (value) => OPTIONS[value] ?? value,
})

export const FormWordsContext = createContext<FormWords>(KEYS)
export const useFormWords = (): FormWords => useContext(FormWordsContext)
