/** Why there is no camera or microphone: refused by who is asked, none on this device, held by another program, none over plain HTTP, or by what the browser says. */
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
export function openCamera(
  video: Omit<MediaTrackConstraints, 'facingMode'>,
): Promise<MediaStream | { no: NoCamera; message: string }> {
  return openDevice({ audio: false, video: { facingMode: 'environment', ...video } })
}

/** This device's microphone, as it hears: nothing is made louder, cut off or taken out. */
export function openMicrophone(): Promise<MediaStream | { no: NoCamera; message: string }> {
  return openDevice({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    video: false,
  })
}

async function openDevice(wanted: MediaStreamConstraints): Promise<MediaStream | { no: NoCamera; message: string }> {
  if (typeof navigator.mediaDevices?.getUserMedia !== 'function') return { no: 'plainHttp', message: '' }
  try {
    return await navigator.mediaDevices.getUserMedia(wanted)
  } catch (error) {
    const { name, message } = error as Error
    return { no: WHY[name] ?? 'failed', message }
  }
}

/** Shuts a camera or microphone; what was to happen when it ends by itself does not. */
export function shutCamera(stream: MediaStream | undefined): void {
  for (const track of stream?.getTracks() ?? []) {
    track.onended = null
    track.stop()
  }
}

/** Tells of the next picture of a video that was not shown before; a browser that does not tell of them is asked whether time went on. */
export function nextPicture(video: HTMLVideoElement, then: (now: number) => void): void {
  if ('requestVideoFrameCallback' in video) return void video.requestVideoFrameCallback(then)
  const before = (video as HTMLVideoElement).currentTime
  const look = () =>
    (video as HTMLVideoElement).currentTime === before ? setTimeout(look, 30) : then(performance.now())
  setTimeout(look, 30)
}
