export function secondTries(report: unknown): string[]
