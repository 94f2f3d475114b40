import { paintField, type ContrastFieldSpec } from '@yohaku/core';

/** What is asked of the worker: a field, numbered. */
export interface FieldQuestion { readonly asked: number; readonly spec: ContrastFieldSpec }
/** What it answers: the field as a picture, in device pixels. */
export interface FieldAnswer { readonly asked: number; readonly bitmap: ImageBitmap }

addEventListener('message', ({ data: { asked, spec } }: MessageEvent<FieldQuestion>) => {
  void createImageBitmap(new ImageData(paintField(spec), spec.width, spec.height)).then((bitmap) => {
    const answer: FieldAnswer = { asked, bitmap };
    postMessage(answer, { transfer: [bitmap] });
  });
});
