/** What this browser remembers of a person's ways: kept where it may be, else for this page alone. */
const own = new Map<string, string>()

export function remembered(key: string, fallback: string): string {
  try {
    return localStorage.getItem(key) ?? own.get(key) ?? fallback
  } catch {
    return own.get(key) ?? fallback
  }
}

export function remember(key: string, value: string): void {
  own.set(key, value)
  try {
    localStorage.setItem(key, value)
  } catch {
    // A browser that keeps nothing keeps it for this page.
  }
}

/** A remembered value that is JSON; the fallback where there is none that can be read. */
export function rememberedJson<T>(key: string, fallback: T): T {
  try {
    return JSON.parse(remembered(key, '')) as T
  } catch {
    return fallback
  }
}

/** The same for this tab alone. */
export function sessionRead(key: string, fallback = 'null'): string {
  try {
    return sessionStorage.getItem(key) ?? own.get(`tab ${key}`) ?? fallback
  } catch {
    return own.get(`tab ${key}`) ?? fallback
  }
}

export function sessionWrite(key: string, value: string): void {
  own.set(`tab ${key}`, value)
  try {
    sessionStorage.setItem(key, value)
  } catch {
    // Kept for this page.
  }
}
