import { DeskActions, deskReducer, type DeskState } from './desk.ts';
import { keepDesk, rememberedDesk } from './remembered-desk.ts';

const start = (): DeskState => deskReducer(undefined, { type: 'none' });

describe('desk state', () => {
  it('keeps one height for all steps, so that the pages stay where they are', () => {
    let state = deskReducer(start(), DeskActions.step({ step: 'type' }));
    state = deskReducer(state, DeskActions.height({ height: 300 }));
    state = deskReducer(deskReducer(state, DeskActions.step({ step: 'check' })), DeskActions.height({ height: 200 }));
    expect(state.height).toBe(200);
    expect(deskReducer(state, DeskActions.step({ step: 'colour' })).height).toBe(200);
  });
  it('keeps what is selected across steps, and puts the slip away', () => {
    const held = deskReducer(
      deskReducer(start(), DeskActions.take({ token: 'color.core.brand' })),
      DeskActions.choose({ choice: { place: { page: 'home', id: 'h/text' } } }),
    );
    const moved = deskReducer(held, DeskActions.step({ step: held.step === 'pages' ? 'type' : 'pages' }));
    expect([moved.selected, moved.place]).toEqual(['color.core.brand', null]);
  });
  it('goes back to all pages when nothing is selected any more', () => {
    const reach = deskReducer(
      deskReducer(start(), DeskActions.take({ token: 'x' })),
      DeskActions.hang({ hanging: 'reach' }),
    );
    expect(reach.hanging).toBe('reach');
    expect(deskReducer(reach, DeskActions.take({ token: null })).hanging).toBe('all');
    expect(deskReducer(reach, DeskActions.grow({ page: 'home' })).hanging).toBe('all');
  });
  it('gives the identical state when nothing changes', () => {
    const state = start();
    expect(deskReducer(state, DeskActions.step({ step: state.step }))).toBe(state);
    expect(deskReducer(state, DeskActions.take({ token: state.selected }))).toBe(state);
    expect(deskReducer(state, DeskActions.light({ scope: state.lit }))).toBe(state);
  });
  it('keeps choices on this machine, and nothing of what is selected', () => {
    keepDesk({ ...start(), step: 'backgrounds', surround: 'dark', selected: 'x', ground: 'pale' });
    const kept = JSON.parse(localStorage.getItem('yohaku-desk')!) as Record<string, unknown>;
    expect(kept).toEqual(jasmine.objectContaining({ step: 'backgrounds', surround: 'dark', ground: 'pale' }));
    expect(kept['selected']).toBeUndefined();
    expect(rememberedDesk()).toEqual({ ...start(), step: 'backgrounds', surround: 'dark', ground: 'pale' });
    localStorage.removeItem('yohaku-desk');
  });
  it('takes the standard for a remembered value that is unknown or out of range', () => {
    localStorage.setItem('yohaku-desk', '{"step":"nowhere","surround":"red","height":-5,"severity":9,"third":"wide"}');
    expect(rememberedDesk()).toEqual(start());
    localStorage.setItem('yohaku-desk', '{half');
    expect(rememberedDesk()).toEqual(start());
    localStorage.removeItem('yohaku-desk');
  });
});
