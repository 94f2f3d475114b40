import { LinesChart, ScatterChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { LabelLayout } from 'echarts/features';
import { SVGRenderer } from 'echarts/renderers';

use([ScatterChart, LinesChart, GridComponent, LabelLayout, SVGRenderer]);

export interface HuePoint {
  readonly label: string;
  readonly hue: number;
  readonly lightness: number;
  readonly css: string;
  readonly grey: boolean;
}
/** Two points that must be told apart, by index; `near` when they are not. */
export interface HueLine {
  readonly from: number;
  readonly to: number;
  readonly near: boolean;
}

const FONT = { fontFamily: 'Atkinson Hyperlegible Next', fontSize: 12, color: '#5a5a5a' };

/** Returns true if another point stands where the label at the right of this one would. */
const crowds = ([x, y]: readonly [number, number], [otherX, otherY]: readonly [number, number]): boolean =>
  otherX > x && otherX - x < 36 && Math.abs(otherY - y) < 8;

/**
 * Draws swatches by hue and lightness, with the pairs that must be told apart joined; those that are not, with a broken
 * line.
 */
export function drawHues(element: HTMLElement): {
  show(points: readonly HuePoint[], lines: readonly HueLine[]): void;
  end(): void;
} {
  const chart = init(element, null, { renderer: 'svg' });
  const resize = new ResizeObserver(() => chart.resize());
  resize.observe(element);
  return {
    show(points, lines) {
      // Greys have no hue: they stand in a column of their own at the left.
      const at = ({ hue, lightness, grey }: HuePoint): [number, number] => [grey ? -60 : hue, lightness * 100];
      chart.setOption(
        {
          animation: false,
          grid: { left: 34, right: 16, top: 14, bottom: 26 },
          xAxis: {
            type: 'value',
            min: -90,
            max: 360,
            interval: 90,
            axisLabel: { ...FONT, formatter: (value: number) => (value < 0 ? '        greys' : `${value}°`) },
            splitLine: { show: false },
            axisLine: { onZero: false, lineStyle: { color: '#8a8a8a' } },
          },
          yAxis: {
            type: 'value',
            min: 0,
            max: 100,
            interval: 25,
            axisLabel: FONT,
            axisLine: { show: false },
            axisTick: { show: false },
            splitLine: { lineStyle: { color: '#e6e6e6' } },
          },
          series: [
            ...lines.map(({ from, to, near }) => ({
              type: 'lines',
              coordinateSystem: 'cartesian2d',
              silent: true,
              polyline: false,
              lineStyle: { color: '#1a1a1a', width: near ? 2 : 1, type: near ? 'dashed' : 'solid', opacity: 1 },
              data: [{ coords: [at(points[from]!), at(points[to]!)] }],
            })),
            {
              type: 'scatter',
              symbolSize: 15,
              silent: true,
              labelLayout: { moveOverlap: 'shiftY' },
              data: points.map((point) => ({
                value: at(point),
                itemStyle: { color: point.css, borderColor: '#1a1a1a', borderWidth: 1 },
                label: {
                  ...FONT,
                  color: '#1a1a1a',
                  textBorderColor: '#fff',
                  textBorderWidth: 3,
                  show: true,
                  position:
                    (point.hue > 280 && !point.grey) || points.some((other) => crowds(at(point), at(other)))
                      ? 'left'
                      : 'right',
                  formatter: point.label,
                },
              })),
            },
          ],
        },
        true,
      );
    },
    end() {
      resize.disconnect();
      chart.dispose();
    },
  };
}
