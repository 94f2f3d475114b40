import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { Id, LANGUAGES, setValue } from '@yohaku/core';
import { firstValueFrom } from 'rxjs';
import { safeParse } from 'valibot';
import { SiteApi, failureWords } from '../api/index.ts';
import { DeskActions, Editor, siteFeature } from '../state/index.ts';
import { ACTS, Choice, TextField, nameProblem } from '../ui/index.ts';
import { Drawer } from './drawer.ts';

/** The settings of the whole site: name, language, address, icon. */
@Component({
  selector: 'yo-site-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, Drawer, TextField],
  template: `
    <yo-drawer title="Site settings" [width]="420" (closed)="closed.emit()">
      @if (site(); as site) {
        <div class="lines">
          <yo-text
            label="Name, in the site list and in page titles"
            [value]="site.name"
            width="320px"
            [check]="check"
            (done)="set('Name of the site', ['name'], $event)"
          />
          <yo-choice
            label="Language of the pages"
            [value]="site.language"
            [options]="languages()"
            [width]="240"
            (chosen)="set('Language of the site', ['language'], $event)"
          />
          <div>
            <yo-text
              label="Address, after /sites/ here and after /live/ on the live site"
              [mono]="true"
              [value]="siteId()"
              width="320px"
              [check]="checkAddress"
              (done)="move($event)"
            />
            <p class="note">If you change it, the old address will redirect here, on the live site too.</p>
            @if (problem()) {
              <p role="alert">{{ problem() }}</p>
            }
          </div>
          <p>
            <span class="head">Icon</span><br />{{
              site.shared.logo
                ? 'Made from a logo variant, on a background, with a margin.'
                : 'Add a logo to get an icon.'
            }}
            <button yo-act (click)="icon()">Edit the icon</button>
          </p>
        </div>
      }
    </yo-drawer>
  `,
  styles: '.lines { display: flex; flex-direction: column; gap: 14px; padding-top: 4px; }',
})
export class SiteSettings {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #api = inject(SiteApi);
  readonly closed = output();
  protected readonly site = this.#store.selectSignal(siteFeature.selectCurrent);
  /** A language that the list has not is kept in it. */
  protected readonly languages = computed(() => {
    const own = this.site()?.language ?? '';
    return LANGUAGES.some((language) => language.value === own)
      ? LANGUAGES
      : [{ value: own, label: own }, ...LANGUAGES];
  });
  protected readonly check = nameProblem('A site');

  protected readonly siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #saving = this.#store.selectSignal(siteFeature.selectSaving);
  protected readonly problem = signal('');
  protected readonly checkAddress = (text: string): string => {
    if (this.#saving() !== 'saved') return 'Some edits are not saved yet. Change the address once all are saved.';
    const { issues } = safeParse(Id, text);
    return issues ? `An address ${issues[0].message}. The address was not changed.` : '';
  };
  protected async move(id: string): Promise<void> {
    try {
      await firstValueFrom(this.#api.moveSite(this.siteId(), id));
      // The desk of a site begins with nothing left of anything else.
      location.assign(`/sites/${id}`);
    } catch (error) {
      this.problem.set(failureWords(error));
    }
  }

  protected set(label: string, at: readonly string[], value: string): void {
    this.#editor.commit((site) => setValue(site, label, [...at], value));
  }
  protected icon(): void {
    this.#store.dispatch(DeskActions.step({ step: 'sources' }));
    this.#store.dispatch(DeskActions.hang({ hanging: 'logo' }));
    this.closed.emit();
  }
}
