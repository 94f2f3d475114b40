import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, MarkPointComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([LineChart, GridComponent, MarkLineComponent, MarkPointComponent, SVGRenderer]);

export interface CostCurve {
  readonly costs: readonly number[];
  readonly bestTradeOff: number;
  readonly kept: number;
  readonly cost: number;
}

const INK = '#1a1a1a';
const QUIET = '#5a5a5a';
const LINE = '#8a8a8a';
const FONT = { fontFamily: 'Atkinson Hyperlegible Mono', fontSize: 12, color: QUIET };

/** Draws the cost of keeping 1, 2, … colours; pressing it asks for that many. */
export function drawCosts(
  element: HTMLElement,
  wanted: (count: number) => void,
): { show(curve: CostCurve): void; end(): void } {
  const chart = init(element, null, { renderer: 'svg' });
  const resize = new ResizeObserver(() => chart.resize());
  resize.observe(element);
  chart.getZr().on('click', (event) => {
    const [x] = chart.convertFromPixel({ gridIndex: 0 }, [event.offsetX, event.offsetY]) as [number, number];
    wanted(Math.round(x));
  });
  return {
    show({ costs, bestTradeOff, kept, cost }) {
      chart.setOption({
        animation: false,
        grid: { left: 36, right: 12, top: 12, bottom: 24 },
        xAxis: {
          type: 'value',
          min: 1,
          max: Math.max(2, costs.length),
          minInterval: 1,
          axisLabel: FONT,
          splitLine: { show: false },
          axisLine: { lineStyle: { color: LINE } },
          axisTick: { lineStyle: { color: LINE } },
        },
        yAxis: {
          type: 'value',
          min: 0,
          axisLabel: FONT,
          splitNumber: 3,
          splitLine: { lineStyle: { color: '#e2e2e2' } },
        },
        series: [
          {
            type: 'line',
            step: false,
            symbol: 'circle',
            symbolSize: 4,
            itemStyle: { color: INK },
            lineStyle: { color: INK, width: 1.2 },
            data: costs.map((value, i) => [i + 1, value]),
            markLine: {
              silent: true,
              symbol: 'none',
              animation: false,
              lineStyle: { color: INK, width: 1, type: 'solid' },
              label: { show: false },
              data: [{ xAxis: kept }],
            },
            markPoint: {
              silent: true,
              animation: false,
              symbol: 'circle',
              itemStyle: { color: 'transparent', borderColor: INK, borderWidth: 1.4 },
              data: [
                ...(costs.length > 2
                  ? [
                      {
                        coord: [bestTradeOff, costs[bestTradeOff - 1]!],
                        symbolSize: 13,
                        label: {
                          ...FONT,
                          color: INK,
                          show: true,
                          formatter: 'suggested size',
                          ...(bestTradeOff * 2 > costs.length
                            ? { position: 'left', offset: [0, -12] }
                            : { position: [14, -8] }),
                        },
                      },
                    ]
                  : []),
                {
                  coord: [kept, cost],
                  symbol: 'diamond',
                  symbolSize: 9,
                  itemStyle: { color: INK },
                  label: { show: false },
                },
              ],
            },
          },
        ],
      });
    },
    end() {
      resize.disconnect();
      chart.dispose();
    },
  };
}
