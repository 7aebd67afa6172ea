export const PROGRAM: string[]
export const LEAN: Record<string, string>
