export { Cell, ListTable, type Column } from './list-table.ts';
export { ChecksMenu } from './checks-menu.ts';
export { FilesField } from './files-field.ts';
export { Grid } from './grid.ts';
export { FocusPoint, type PicturePoint } from './focus-point.ts';
export { Slider } from './slider.ts';
