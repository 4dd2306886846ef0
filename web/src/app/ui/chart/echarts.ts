import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([
  ...[AriaComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent],
  ...[BarChart, LineChart, ScatterChart],
  SVGRenderer,
]);

export { init } from 'echarts/core';
