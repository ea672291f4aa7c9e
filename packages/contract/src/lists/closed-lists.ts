/** By what the lists can be asked. They stand beside the DTOs that check them, so that a view that only offers them loads no checking. */
export const JOB_STATES = ['open', 'sealed', 'current', 'archived'] as const
export const JOB_SORTS = ['changed', 'number', 'title', 'site', 'open'] as const
export type JobSort = (typeof JOB_SORTS)[number]
export const WAITED_FOR = ['inspector', 'installer', 'reviewer', 'office'] as const
export const DEFECT_STATES = ['open', 'closed', 'all'] as const
export const RECURRING_BY = ['clause', 'maker', 'model', 'revision', 'installer', 'month'] as const
export type RecurringBy = (typeof RECURRING_BY)[number]
