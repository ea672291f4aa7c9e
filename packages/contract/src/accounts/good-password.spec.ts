import { passwordFault } from './good-password.js'

it.each([
  ['three brass bobs', undefined],
  ['korrekte pferde batterie', undefined],
  ['elevenchars', 'must have 12'],
  ['aaaaaaaaaaaaaaa', 'everybody tries'],
  ['abcdefghijklmnop', 'everybody tries'],
  ['123456789012345', 'everybody tries'],
  ['Password1234', 'everybody tries'],
  ['x'.repeat(201), 'at most 200'],
  [undefined, 'must have 12'],
])('the password %j: %s', (password, fault) => {
  if (fault) expect(passwordFault(password)).toContain(fault)
  else expect(passwordFault(password)).toBeUndefined()
})
