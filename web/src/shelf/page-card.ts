import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { firstValueFrom } from 'rxjs';
import { plural, type ShelvedSite, type SiteStanding } from '@yohaku/core';
import { SiteApi } from '../api/index.ts';
import { StandingSign } from '../ui/index.ts';

const WIDTH = 1280;
const HEIGHT = 800;

/**
 * A site as its card: its state, palette and typefaces, and its first page as it is. All are asked for once the card
 * comes near.
 */
@Component({
  selector: 'yo-page-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [StandingSign],
  template: `
    <p class="stands">
      {{ count(site().pages, 'page') }} · {{ site().live ? 'live' : 'not live' }} ·
      @if (standing(); as stands) {
        @if (stands.failed) {
          <yo-standing kind="fail" />
        }
        {{ stateOf(stands) }}
      } @else {
        <span class="quiet">checking</span>
      }
    </p>
    <div class="brand">
      <span class="strip">
        @for (color of standing()?.colors ?? []; track $index) {
          <i [style.background]="color"></i>
        }
      </span>
      <span class="families">{{ standing()?.families?.join(' and ') }}</span>
    </div>
    <div class="paper" [style.height.px]="scale() * height">
      @if (near()) {
        <iframe
          [src]="source()"
          sandbox="allow-same-origin"
          tabindex="-1"
          scrolling="no"
          inert
          [title]="'First page of ' + site().name"
          [style.transform]="'scale(' + scale() + ')'"
        ></iframe>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      color: var(--wall-ink);
    }
    .paper {
      overflow: hidden;
      background: #fff;
      box-shadow: 0 1px 3px rgb(0 0 0 / 0.18);
    }
    iframe {
      width: 1280px;
      height: 800px;
      border: 0;
      transform-origin: 0 0;
      pointer-events: none;
    }
    .stands {
      display: flex;
      gap: 6px;
      align-items: center;
      font-size: 12px;
      line-height: 16px;
      padding-bottom: 6px;
    }
    .brand {
      display: flex;
      gap: 12px;
      align-items: center;
      min-height: 20px;
      padding-bottom: 8px;
      font-size: 12px;
    }
    .strip {
      display: flex;
      flex: 0 0 50%;
      height: 16px;
    }
    .strip i {
      flex: 1;
    }
    .families {
      white-space: nowrap;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .quiet {
      color: var(--wall-quiet);
    }
  `,
})
export class PageCard {
  readonly #api = inject(SiteApi);
  readonly #safe = inject(DomSanitizer);
  readonly site = input.required<ShelvedSite>();
  protected readonly height = HEIGHT;
  protected readonly near = signal(false);
  protected readonly scale = signal(0.2);
  protected readonly standing = signal<SiteStanding | null>(null);
  /** Read anew after an edit: its sequence is part of the address. */
  protected readonly source = computed(() =>
    this.#safe.bypassSecurityTrustResourceUrl(
      `/frame/${encodeURIComponent(this.site().id)}/first.html?${this.site().sequence}`,
    ),
  );
  protected readonly count = plural;
  /** The state of the checks in words. */
  protected stateOf({ failed, cannotTell }: SiteStanding): string {
    const known = failed ? `${failed} failing` : cannotTell ? 'nothing failing' : 'every check passes';
    return cannotTell ? `${known}; ${cannotTell} over images, checked when opened` : known;
  }

  constructor() {
    const element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const sized = new ResizeObserver(() => this.scale.set(element.clientWidth / WIDTH));
      sized.observe(element);
      const seen = new IntersectionObserver(
        (entries) => {
          if (!entries.some((entry) => entry.isIntersecting)) return;
          seen.disconnect();
          this.near.set(true);
          void firstValueFrom(this.#api.standing(this.site().id)).then(
            (entry) => this.standing.set(entry),
            () => {},
          );
        },
        { rootMargin: '200px' },
      );
      seen.observe(element);
      destroyed.onDestroy(() => {
        sized.disconnect();
        seen.disconnect();
      });
    });
  }
}
