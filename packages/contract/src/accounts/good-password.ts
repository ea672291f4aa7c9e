import { ValidateBy } from 'class-validator'

export const SHORTEST_PASSWORD = 12
const LONGEST_PASSWORD = 200

/** Long ones that everybody tries first; what merely repeats or counts is found by itself. */
const COMMON = new Set([
  'password1234',
  'password12345',
  'passwordpassword',
  'qwertyuiop12',
  'qwertyuiopas',
  'qwertyuiop123',
  'letmeinletmein',
  'iloveyou1234',
  'welcome12345',
  'administrator',
  'adminadmin12',
  'changeme1234',
  'plumbmark1234',
  'installer1234',
  'inspector1234',
  'photovoltaik',
  'photovoltaic',
  'sunshine1234',
  'football1234',
  'baseball1234',
  'trustno1trustno1',
  'dragondragon',
  'monkeymonkey',
  'mastermaster',
  '1q2w3e4r5t6y',
  'zaq12wsxcde3',
])

/** Why a password is not good enough; undefined when it is. */
export function passwordFault(password: unknown): string | undefined {
  if (typeof password !== 'string' || password.length < SHORTEST_PASSWORD)
    return `must have ${SHORTEST_PASSWORD} characters or more`
  if (password.length > LONGEST_PASSWORD) return `must have at most ${LONGEST_PASSWORD} characters`
  const plain = password.toLowerCase()
  if (COMMON.has(plain) || new Set(plain).size < 5 || isCounting(plain))
    return 'is one that everybody tries first'
  return undefined
}

/** Characters that follow one another, up or down: abcdefghijkl, 9876543210987. */
function isCounting(text: string): boolean {
  const steps = [...text].slice(1).map((mark, i) => mark.charCodeAt(0) - text.charCodeAt(i))
  const even = steps.filter((step) => step === 1 || step === -9 || step === -1 || step === 9).length
  return even >= steps.length - 1
}

export const IsGoodPassword = (): PropertyDecorator =>
  ValidateBy({
    name: 'isGoodPassword',
    validator: {
      validate: (value: unknown) => passwordFault(value) === undefined,
      defaultMessage: (about) => passwordFault(about?.value) ?? 'is not good enough',
    },
  })
