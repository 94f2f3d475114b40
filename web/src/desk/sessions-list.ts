import type { ListedSession } from '@yohaku/core';
import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { SiteApi, failureWords } from '../api/index.ts';
import { Sheet } from './sheet.ts';

/** Where somebody is signed in; each session can be ended by itself. */
@Component({
  selector: 'yo-sessions-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Sheet, DatePipe],
  template: `
    <yo-sheet title="Sessions" [width]="640" (closed)="closed.emit()">
      @if (problem()) { <p role="alert">{{ problem() }}</p> }
      <table>
        <thead><tr><th scope="col">Browser</th><th scope="col">Signed in</th><th scope="col">Last used</th><th scope="col">Ends</th><th scope="col"><span class="sr">End it</span></th></tr></thead>
        <tbody>
          @for (one of sessions(); track one.id) {
            <tr>
              <td>{{ browser(one.agent) }}@if (one.current) { <span class="quiet">, this one</span> }</td>
              <td class="mono">{{ one.createdAt | date: 'd MMM, HH:mm' }}</td><td class="mono">{{ one.seenAt | date: 'd MMM, HH:mm' }}</td><td class="mono">{{ one.expiresAt | date: 'd MMM' }}</td>
              <td><button class="act" [attr.aria-label]="(one.current ? 'Sign out here' : 'End the session of ' + browser(one.agent) + ' last used ' + (one.seenAt | date: 'd MMM, HH:mm'))" (click)="end(one)">{{ one.current ? 'Sign out' : 'End' }}</button></td>
            </tr>
          } @empty { <tr><td colspan="5" class="quiet">{{ problem() ? '' : 'Reading…' }}</td></tr> }
        </tbody>
      </table>
      <p class="quiet">A session ends 14 days after signing in, or 3 days after it was last used. A fresh sign-in address: <span class="mono">./yohaku link</span></p>
    </yo-sheet>
  `,
  styles: `
    table { width: 100%; border-collapse: collapse; margin-bottom: 8px; }
    th, td { text-align: left; padding: 3px 12px 3px 0; border-bottom: 1px solid #d9d9d9; white-space: nowrap; vertical-align: baseline; }
    td:first-child { white-space: normal; }
    th { font-weight: 400; color: #555; }
    td:last-child { text-align: right; padding-right: 0; }
    p { margin: 0; }
  `,
})
export class SessionsList {
  readonly #api = inject(SiteApi);
  readonly closed = output();
  protected readonly sessions = signal<readonly ListedSession[]>([]);
  protected readonly problem = signal('');

  constructor() {
    void this.#read();
  }

  async #read(): Promise<void> {
    try {
      this.sessions.set(await firstValueFrom(this.#api.sessions()));
      this.problem.set('');
    } catch (error) {
      this.problem.set(failureWords(error));
    }
  }

  protected async end(one: ListedSession): Promise<void> {
    try {
      await firstValueFrom(this.#api.endSession(one.current ? undefined : one.id));
    } catch (error) {
      return this.problem.set(failureWords(error));
    }
    // Signed out here: the page says how to get in again.
    if (one.current) location.assign('/');
    else await this.#read();
  }

  /** A browser by the name that it gives itself, as far as one can be read from it. */
  protected browser(agent: string): string {
    const name = /(Firefox|Edg|OPR|Chrome|Chromium|HeadlessChrome|Safari|curl)\/(\d+)/.exec(agent);
    const system = /(Windows|Macintosh|Android|iPhone|iPad|Linux)/.exec(agent)?.[1];
    return name ? `${name[1]!.replace('Edg', 'Edge').replace('OPR', 'Opera')} ${name[2]}${system ? ` on ${system}` : ''}` : agent.slice(0, 40) || 'unknown';
  }
}
