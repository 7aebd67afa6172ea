export const CHROMIUM: string
export const ARGS: string[]
