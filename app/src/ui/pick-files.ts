interface PickOptions {
  /** Opens the camera at once, where the device has one. */
  readonly camera?: boolean;
}

/** Lets a person choose pictures, or take one. Must be called from a press. */
export function pickPictures({ camera = false }: PickOptions = {}): Promise<readonly File[]> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'image/*';
    if (camera) input.capture = 'environment';
    else input.multiple = true;
    input.onchange = () => resolve([...(input.files ?? [])]);
    input.oncancel = () => resolve([]);
    input.click();
  });
}
