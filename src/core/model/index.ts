/** The model: the document, its checks, flattening copies to parts in space. */
export * from './types'
export { LIMITS } from './limits'
export { checkModel, readModelText } from './read'
export * from './flatten'
export * from './places'
export { partPose } from './part-pose'
export { shapeOfPart } from './lengths'
export { ANGLE_LIMITS, connectorOf, doJoin, jointPose } from './joint-pose'
