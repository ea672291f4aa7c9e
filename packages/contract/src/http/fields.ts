import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsDefined,
  IsString,
  Length,
  Matches,
  ValidateBy,
  ValidateNested,
  type ValidationOptions,
} from 'class-validator'
import { attempt, dayField, rfc3339 } from '@plumb-mark/core'

const all =
  (...rules: PropertyDecorator[]): PropertyDecorator =>
  (target, name) =>
    rules.forEach((rule) => rule(target, name))

/** Text with something in it, up to a length. */
export const Filled = (most: number, options?: ValidationOptions): PropertyDecorator =>
  all(
    IsString(options),
    Length(1, most, options),
    Matches(/\S/, { message: 'must not be blank', ...options }),
  )

/** A time as the record keeps it: RFC 3339 with its offset. */
export const IsInstant = (): PropertyDecorator =>
  ValidateBy({
    name: 'isInstant',
    validator: {
      validate: (value: unknown) => typeof value === 'string' && !Number.isNaN(rfc3339(value)),
      defaultMessage: () => 'must be a time with its offset, as in 2026-06-01T08:00:00Z (RFC 3339)',
    },
  })

/** A day of the calendar, as 2026-06-01. */
export const IsDay = (): PropertyDecorator =>
  ValidateBy({
    name: 'isDay',
    validator: {
      validate: (value: unknown) => attempt(() => dayField.read(value, 'day')).ok,
      defaultMessage: () => 'must be a day of the calendar, as 2026-06-01',
    },
  })

const isPlainObject = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** An object and nothing else: what validates a nested class takes a list for one, and nothing for one that is in order. */
export const IsPlain = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: 'isPlain',
      validator: { validate: isPlainObject, defaultMessage: () => 'must be an object' },
    },
    options,
  )

/** One object of a class, which must be there unless `IsOptional` stands beside it. */
export const Part = (of: () => new () => object): PropertyDecorator =>
  all(IsDefined({ message: 'is required' }), IsPlain(), ValidateNested(), Type(of))

/** A list of objects of a class. */
export const Parts = (of: () => new () => object, { min = 0, max }: { min?: number; max: number }) =>
  all(
    IsArray(),
    ArrayMinSize(min),
    ArrayMaxSize(max),
    IsPlain({ each: true, message: 'must be a list of objects' }),
    ValidateNested({ each: true }),
    Type(of),
  )
