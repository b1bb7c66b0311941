// Air: states of moist air, airflow under fouling, delivered cooling and condensate.
export { airflowShare, coveredShareByGrade, wheelFactorByGrade, type AirPathGrades } from './airflow.ts'
export { airflowPerKwM3h, cleanCapacityKw, coilAt, coolingSeasonFromC, indoorAirFrom, ratedOutdoorC, type CoilResult } from './coil.ts'
export { chartPoint, humidityLine, type ChartPoint } from './chart.ts'
export { anemometerShare, traverse, type Traverse, type TraverseResult } from './traverse.ts'
export { deliveredCooling, type Cooling } from './cooling.ts'
export { airOf, airWith, dewPointC, pressureAt, saturatedAt, saturationPressurePa, wetBulbC, type AirState } from './state.ts'
