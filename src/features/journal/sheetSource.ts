/** Where pictures of a sheet come from while it is held before a camera. */
export interface SheetSource {
  /** Pixels of a photograph that is taken now. */
  size: () => { width: number; height: number };
  /** Paint what is seen at this moment. */
  paint: (context: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D, width: number, height: number) => void;
  stop: () => void;
}

const WANTED = { width: { ideal: 3840 }, height: { ideal: 2160 }, facingMode: { ideal: 'environment' } };

/**
 * The camera of the device, the one that looks away from the screen where there is one.
 * @throws where there is none, or it may not be used.
 */
export async function openCamera(): Promise<SheetSource> {
  const stream = await navigator.mediaDevices.getUserMedia({ video: WANTED });
  const video = document.createElement('video');
  video.muted = true;
  video.playsInline = true;
  video.srcObject = stream;
  await video.play();
  return {
    size: () => ({ width: video.videoWidth, height: video.videoHeight }),
    paint: (context, width, height) => context.drawImage(video, 0, 0, width, height),
    stop: () => stream.getTracks().forEach((track) => track.stop()),
  };
}

/** The made-up sheet is held up, wobbles, has a shadow over it, and comes to rest after so long. */
const SETTLES_MS = 3200;
const SIMULATED_PHOTO = '/demo/page-6.jpg';

/** A made-up camera over a made-up sheet, where there is no other. */
export async function openSimulated(): Promise<SheetSource> {
  const response = await fetch(SIMULATED_PHOTO);
  if (!response.ok) throw new Error('the made-up sheet is not to be had');
  const photo = await createImageBitmap(await response.blob());
  const began = performance.now();
  return {
    size: () => ({ width: photo.width, height: photo.height }),
    paint: (context, width, height) => {
      const t = (performance.now() - began) / SETTLES_MS;
      const unrest = Math.max(0, 1 - t) ** 1.5;
      context.save();
      context.fillStyle = '#3a2c20';
      context.fillRect(0, 0, width, height);
      context.translate(width / 2, height / 2);
      context.translate(0.05 * width * unrest * Math.sin(9 * t), 0.07 * height * unrest * Math.cos(7 * t));
      context.rotate(0.12 * unrest * Math.sin(6 * t));
      const scale = 1 - 0.18 * unrest;
      context.scale(scale, scale);
      if (unrest > 0.2) context.filter = `blur(${String(Math.round((width / 640) * 3 * unrest))}px)`;
      context.drawImage(photo, -width / 2, -height / 2, width, height);
      context.filter = 'none';
      if (unrest > 0.05) {
        // A hand passes over it.
        context.fillStyle = `rgb(20 16 12 / ${String(0.4 * unrest)})`;
        context.fillRect(width * (-0.6 + 0.9 * t), -height, width * 0.35, height * 2);
      }
      context.restore();
    },
    stop: () => photo.close(),
  };
}
