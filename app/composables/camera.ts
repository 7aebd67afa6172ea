/** Why there is no camera: refused by who is asked, none on this device, held by another program, none over plain HTTP, or by what the browser says. */
export type NoCamera = 'refused' | 'none' | 'busy' | 'plainHttp' | 'failed'

const WHY: Record<string, NoCamera> = {
  NotAllowedError: 'refused',
  SecurityError: 'refused',
  NotFoundError: 'none',
  OverconstrainedError: 'none',
  NotReadableError: 'busy',
  AbortError: 'busy',
}

/** This device's camera, the one that looks away from who holds it; or why there is none. By plain HTTP a browser gives no page a camera. */
export async function openCamera(
  video: Omit<MediaTrackConstraints, 'facingMode'>,
): Promise<MediaStream | { no: NoCamera; message: string }> {
  if (typeof navigator.mediaDevices?.getUserMedia !== 'function') return { no: 'plainHttp', message: '' }
  try {
    return await navigator.mediaDevices.getUserMedia({ audio: false, video: { facingMode: 'environment', ...video } })
  } catch (error) {
    const { name, message } = error as Error
    return { no: WHY[name] ?? 'failed', message }
  }
}

/** Shuts a camera; what was to happen when it ends by itself does not. */
export function shutCamera(stream: MediaStream | undefined): void {
  for (const track of stream?.getTracks() ?? []) {
    track.onended = null
    track.stop()
  }
}
