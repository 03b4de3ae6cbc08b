import bathLimit from './bath-limit.ts';
import dilution from './dilution.ts';
import oilChart from './oil-chart.ts';
import serviceDue from './service-due.ts';

export const CARE = [bathLimit, dilution, oilChart, serviceDue];
