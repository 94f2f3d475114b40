import { paintField, type ContrastFieldSpec } from '@yohaku/core';

/** A question to the worker: a field, with a number. */
export interface FieldQuestion {
  readonly asked: number;
  readonly spec: ContrastFieldSpec;
}
/** The answer: the field as an image, in device pixels. */
export interface FieldAnswer {
  readonly asked: number;
  readonly bitmap: ImageBitmap;
}

addEventListener('message', ({ data: { asked, spec } }: MessageEvent<FieldQuestion>) => {
  void createImageBitmap(new ImageData(paintField(spec), spec.width, spec.height)).then((bitmap) => {
    const answer: FieldAnswer = { asked, bitmap };
    postMessage(answer, { transfer: [bitmap] });
  });
});
