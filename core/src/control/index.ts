export { connectLines, ControllerRefused, type Clock, type Controller, type LineLink } from './client.ts';
export { dialectOf, dialects, type Dialect, type DialectAsked, type DialectId } from './dialects.ts';
export { connectGcode, gcodeMove, readGcodeLine, type GcodeAxis } from './gcode.ts';
export { machineOf, type Machine, type Plant } from './machine.ts';
export {
  FARTHEST,
  MAX_LINE,
  readAnswer,
  readLine,
  writeRequest,
  type Command,
  type FromController,
  type Hello,
  type ReadLine,
  type Request,
  type Status,
} from './protocol.ts';
export { approach, reach, shaken, type ReachAsked, type Reached, type Shaken } from './reach.ts';
export { readStandIn, STAND_IN, standIn, standInPlant, type StandIn, type StandInPlant } from './stand-in.ts';
export { drivingOf, type Driving, type DrivingWorld, type Told, type Untimed } from './driving.ts';
