/** What the stage shows, as a picture file: the canvas as it is, or the picture that stands there. */
export async function savePng(stage: HTMLElement | null, file: string): Promise<void> {
  const canvas = stage?.querySelector('canvas');
  const shown = canvas ?? (await drawnOnCanvas(stage?.querySelector('img') ?? null));
  const blob = await new Promise<Blob | null>((done) => (shown ? shown.toBlob(done, 'image/png') : done(null)));
  if (!blob) return;
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = file;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
async function drawnOnCanvas(image: HTMLImageElement | null): Promise<HTMLCanvasElement | null> {
  if (!image) return null;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 1200;
  canvas.getContext('2d')!.drawImage(image, 0, 0, 1200, 1200);
  return canvas;
}
