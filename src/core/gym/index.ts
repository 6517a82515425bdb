/** A gym's day: racks, people and hours fitted together exactly. What others may use of this room. */
export {
  assignRacks,
  fitGym,
  type GymAthlete,
  type GymFit,
  type GymHour,
  type GymLimits,
  type Occupied,
  occupancy,
  togetherNow,
} from "./fit";
