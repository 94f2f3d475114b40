import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { SiteApi, failureWords } from '../api/index.ts';
import { LAST_ADDRESS } from '../desk/address-link.ts';
import { readAddress } from '../desk/address.ts';
import { remembered } from '../state/index.ts';

/** Signs in with the token behind `#`, and goes on where this browser was last. */
@Component({
  selector: 'yo-sign-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<main>
    <h1 class="strong">Yohaku</h1>
    @if (problem()) {
      <p role="alert">{{ problem() }}</p>
      <p class="quiet">
        A sign-in address works once, for thirty minutes. Get a new one with <span class="mono">./yohaku link</span>
      </p>
    } @else {
      <p class="quiet" role="status">Signing in…</p>
    }
  </main>`,
  styleUrl: './alone.less',
})
export class SignIn {
  readonly #api = inject(SiteApi);
  readonly #router = inject(Router);
  protected readonly problem = signal('');

  constructor() {
    void this.#enter(location.hash.slice(1));
  }

  async #enter(token: string): Promise<void> {
    // It is good once: a reload, or Back, must not ask with it again.
    history.replaceState(history.state, '', '/sign-in');
    try {
      if (token) await firstValueFrom(this.#api.signIn(token));
      const sites = await firstValueFrom(this.#api.sites());
      const last = remembered(LAST_ADDRESS) ?? '';
      const shelved = sites.filter((site) => !site.archived);
      // Where one was; else the only site there is; else the shelf.
      const address = sites.some((site) => site.id === readAddress(last)?.site)
        ? last
        : shelved.length === 1
          ? `/sites/${shelved[0]!.id}`
          : '/';
      await this.#router.navigateByUrl(address, { replaceUrl: true });
    } catch (error) {
      this.problem.set(failureWords(error));
    }
  }
}
