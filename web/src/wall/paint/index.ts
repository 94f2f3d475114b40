export { turn } from './after-input.ts';
export { FramePainter } from './frame-painter.ts';
export { pageSource } from './frame-source.ts';
export { type HungFrame, laidOut } from './hung-frame.ts';
export { LayoutFrame } from './layout-frame.ts';
export { playMotion } from './play-motion.ts';
export { isThere, siteFrame } from './site-frame.ts';
export type { FrameSource } from './frame-source.ts';
