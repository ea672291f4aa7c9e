export const ROLES = ['inspector', 'installer', 'reviewer', 'office'] as const
export type Role = (typeof ROLES)[number]

export interface Person {
  id: string
  name: string
  role: Role
}
