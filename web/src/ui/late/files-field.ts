import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  ViewEncapsulation,
  afterRenderEffect,
  inject,
  input,
  output,
} from '@angular/core';
import { NzUploadModule, type NzUploadFile } from 'ng-zorro-antd/upload';
import { IconSign } from '../icon.ts';

/** Files, or a folder, chosen from this machine. Nothing is sent anywhere: whoever listens reads them. */
@Component({
  selector: 'yo-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzUploadModule, IconSign],
  template: `<nz-upload
    [nzMultiple]="many()"
    [nzDirectory]="folder()"
    [nzShowUploadList]="false"
    [nzBeforeUpload]="take"
    ><span class="ant-btn yo-act"><yo-icon name="file" />{{ label() }}</span></nz-upload
  >`,
  styles: `
    yo-files {
      display: inline-flex;
    }
    yo-files .ant-upload:focus-visible {
      outline: 2px solid #1a1a1a;
      outline-offset: 2px;
    }
  `,
})
export class FilesField {
  readonly label = input.required<string>();
  readonly accept = input('');
  readonly many = input(false);
  readonly folder = input(false);
  readonly chosen = output<File[]>();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // The file types of the dialog; the library would silently drop other files.
    afterRenderEffect({
      write: () => {
        const field = host.querySelector('input');
        field?.setAttribute('accept', this.accept());
        field?.setAttribute('aria-label', this.label());
      },
    });
  }

  /** Asked once for each file, with all of them: told once. */
  protected take = (file: NzUploadFile, list: NzUploadFile[]): boolean => {
    if (file === list.at(-1)) this.chosen.emit(list as unknown as File[]);
    return false;
  };
}
