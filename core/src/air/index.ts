// Air: states of moist air, airflow under fouling, delivered cooling and condensate.
export { airflowPerKwM3h, airflowShare, type AirPathGrades } from './airflow.ts'
export { coilAt, coolingSeasonFromC, indoorAirFrom, type CoilResult } from './coil.ts'
export { chartPoint, humidityLine, type ChartPoint } from './chart.ts'
export { traverse, type Traverse, type TraverseResult } from './traverse.ts'
export { deliveredCooling, type Cooling } from './cooling.ts'
export { airOf, airWith, pressureAt, saturatedAt, wetBulbC, type AirState } from './state.ts'
