/** Money is reckoned in whole cents; files and answers write it with two decimals. */
export type Cents = number

const ROUNDING = 1e-6

export const isInCents = (money: number): boolean => Math.abs(money * 100 - Math.round(money * 100)) < ROUNDING * Math.max(1, money)
export const toCents = (money: number): Cents => Math.round(money * 100)
export const fromCents = (cents: Cents): number => cents / 100
