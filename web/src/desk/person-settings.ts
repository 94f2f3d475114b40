import type { ListedSession } from '@yohaku/core';
import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { SiteApi, failureWords } from '../api/index.ts';
import { Store } from '@ngrx/store';
import { DeskActions, deskFeature, type DeskState } from '../state/index.ts';
import { Drawer } from './drawer.ts';
import { ACTS, Density, Segments } from '../ui/index.ts';
import { Grid } from '../ui/late/index.ts';

/**
 * The user's settings for all sites: controls shown, workspace background, and sessions, which can be ended one by one.
 */
@Component({
  selector: 'yo-person-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Grid, Segments, Drawer, DatePipe],
  template: `
    <yo-drawer title="Your settings" [width]="640" (closed)="closed.emit()">
      <div class="lines">
        <span class="head" aria-hidden="true">Controls shown</span
        ><span
          ><yo-segments
            label="Controls shown"
            [options]="densities"
            [value]="density.all() ? 'all' : 'calm'"
            (chosen)="density.set($event)"
        /></span>
        <span class="head" aria-hidden="true">Workspace background</span
        ><span
          ><yo-segments
            label="Workspace background"
            [options]="surrounds"
            [value]="surround()"
            (chosen)="setSurround($event)"
        /></span>
      </div>
      <h3 class="head">Signed-in browsers</h3>
      @if (problem()) {
        <p role="alert">{{ problem() }}</p>
      }
      <yo-grid>
        <thead>
          <tr>
            <th scope="col">Browser</th>
            <th scope="col">Signed in</th>
            <th scope="col">Last used</th>
            <th scope="col">Expires</th>
            <th scope="col"><span class="sr">Sign out</span></th>
          </tr>
        </thead>
        <tbody>
          @for (session of sessions(); track session.id) {
            <tr>
              <td>
                {{ browser(session.agent) }}
                @if (session.current) {
                  <span class="quiet">, this one</span>
                }
              </td>
              <td class="mono">{{ session.createdAt | date: 'd MMM, HH:mm' }}</td>
              <td class="mono">{{ session.seenAt | date: 'd MMM, HH:mm' }}</td>
              <td class="mono">{{ session.expiresAt | date: 'd MMM' }}</td>
              <td>
                <button
                  yo-act
                  [attr.aria-label]="
                    session.current
                      ? 'Sign out here'
                      : 'Sign out ' + browser(session.agent) + ', last used ' + (session.seenAt | date: 'd MMM, HH:mm')
                  "
                  (click)="end(session)"
                >
                  {{ session.current ? 'Sign out' : 'Sign out there' }}
                </button>
              </td>
            </tr>
          } @empty {
            <tr>
              <td colspan="5" class="quiet">{{ problem() ? '' : 'Reading…' }}</td>
            </tr>
          }
        </tbody>
      </yo-grid>
      <p class="quiet">
        A session ends 14 days after sign-in, or 3 days after its last use. Get a new sign-in address with
        <span class="mono">./yohaku link</span>
      </p>
    </yo-drawer>
  `,
  styles: `
    .lines {
      display: grid;
      grid-template-columns: 160px 1fr;
      gap: 8px 12px;
      align-items: center;
      padding: 4px 0 14px;
    }
    yo-grid {
      margin-bottom: 8px;
    }
    td {
      white-space: nowrap;
    }
    td:first-child {
      white-space: normal;
    }
    td:last-child {
      text-align: right;
      padding-right: 0;
    }
    p {
      margin: 0;
    }
  `,
})
export class PersonSettings {
  readonly #api = inject(SiteApi);
  readonly #store = inject(Store);
  readonly closed = output();
  protected readonly density = inject(Density);
  protected readonly densities = [
    { value: 'calm', label: 'Essential' },
    { value: 'all', label: 'All' },
  ] as const;
  protected readonly surround = this.#store.selectSignal(deskFeature.selectSurround);
  protected readonly surrounds = [
    { value: 'light', label: 'Light' },
    { value: 'middle', label: 'Middle' },
    { value: 'dark', label: 'Dark' },
  ] as const;
  protected readonly sessions = signal<readonly ListedSession[]>([]);
  protected readonly problem = signal('');

  constructor() {
    void this.#read();
  }

  protected setSurround(surround: DeskState['surround']): void {
    this.#store.dispatch(DeskActions.surround({ surround }));
  }

  async #read(): Promise<void> {
    try {
      this.sessions.set(await firstValueFrom(this.#api.sessions()));
      this.problem.set('');
    } catch (error) {
      this.problem.set(failureWords(error));
    }
  }

  protected async end(session: ListedSession): Promise<void> {
    try {
      await firstValueFrom(this.#api.endSession(session.current ? undefined : session.id));
    } catch (error) {
      return this.problem.set(failureWords(error));
    }
    // Signed out here: the page says how to get in again.
    if (session.current) location.assign('/');
    else await this.#read();
  }

  /** A browser by the name that it gives itself, as far as one can be read from it. */
  protected browser(agent: string): string {
    const name = /(Firefox|Edg|OPR|Chrome|Chromium|HeadlessChrome|Safari|curl)\/(\d+)/.exec(agent);
    const system = /(Windows|Macintosh|Android|iPhone|iPad|Linux)/.exec(agent)?.[1];
    return name
      ? `${name[1]!.replace('Edg', 'Edge').replace('OPR', 'Opera')} ${name[2]}${system ? ` on ${system}` : ''}`
      : agent.slice(0, 40) || 'unknown';
  }
}
