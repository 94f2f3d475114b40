import { Injectable } from '@angular/core';
import { Subject } from 'rxjs';

/**
 * While a control is held most animation frames are left to the nearest page.
 * This tells of the frame before one in which another page has its turn: what
 * else on the desk is late goes along, so that the frames between stay free.
 */
@Injectable({ providedIn: 'root' })
export class FrameShare {
  readonly next = new Subject<void>();
}
