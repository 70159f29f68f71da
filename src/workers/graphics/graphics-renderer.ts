import { Camera as NoCamera, GLSL3, Matrix4, ShaderMaterial, WebGLRenderer } from 'three'
import type { Colour } from '@core/catalogue'
import {
  LIGHT,
  lookOf,
  TONE_STEPS,
  TONES,
  type Camera,
  type DrawnPart,
  type PartLook,
  type PartTint,
  type PictureSize,
} from '@core/picture'
import { MeshLayer, type LayerMaterials } from './mesh-layer'

/** Depth is told over so many u before and behind the origin. */
const DEPTH = 150_000
/** More parts than this are drawn without studs while they move; more still without lines, too. */
const MOST_WITH_STUDS = 500
const MOST_WITH_LINES = 4_000
/** More parts than this are drawn while they move only where there is a graphics card: the largest stand for them. */
const MOST_MOVING = 2_500
/** The page says how large the canvas is. */
const SETS_STYLE = false
/** A frame that takes longer than this, ms, is drawn without lines while it moves. */
const SLOW = 45

const VERTEX = `
in vec4 tint;
uniform mat4 clip;
uniform mat3 view;
uniform vec3 light;
uniform float nearer;
out vec4 colour;
void main() {
  gl_Position = clip * vec4(position, 1.0);
  gl_Position.z -= nearer;
  if (nearer > 0.0) {
    colour = tint;
    return;
  }
  vec3 facing = view * normal;
  if (facing.z > 0.0) facing = -facing;
  float lit = dot(normalize(facing), light);
  float tone = lit > ${TONE_STEPS[0]} ? 1.0 : lit > ${TONE_STEPS[1]} ? ${(TONES[1] / 255).toFixed(4)} : ${(TONES[2] / 255).toFixed(4)};
  colour = vec4(tint.rgb * tone, tint.a);
}`

const FRAGMENT = `
in vec4 colour;
out vec4 dots;
void main() {
  dots = colour;
}`

interface Uniforms {
  readonly clip: { readonly value: Matrix4 }
  readonly view: { value: number[] }
}

const materialOf = (uniforms: Uniforms, kind: 'face' | 'line' | 'ghost'): ShaderMaterial =>
  new ShaderMaterial({
    glslVersion: GLSL3,
    vertexShader: VERTEX,
    fragmentShader: FRAGMENT,
    // Both sides: pieces that stand mirrored run the other way round.
    side: 2,
    transparent: kind === 'ghost',
    uniforms: { ...uniforms, light: { value: [...LIGHT] }, nearer: { value: kind === 'line' ? 0.000004 : 0 } },
  })

/** Who draws: a graphics card, where smooth edges cost nothing that is felt, or the processor in its place; nothing where neither does. */
export function whoDraws(): 'card' | 'processor' | undefined {
  const probe = new OffscreenCanvas(1, 1).getContext('webgl2')
  if (!probe) return undefined
  const names = probe.getExtension('WEBGL_debug_renderer_info')
  const name: unknown = names && probe.getParameter(names.UNMASKED_RENDERER_WEBGL)
  probe.getExtension('WEBGL_lose_context')?.loseContext()
  return typeof name === 'string' && !/software|swiftshader|llvmpipe/i.test(name) ? 'card' : 'processor'
}

/** The largest parts, in their order: what of a model is seen from afar. */
function largest(parts: readonly DrawnPart[], most: number): readonly DrawnPart[] {
  if (parts.length <= most) return parts
  const area = ({ shape: { box } }: DrawnPart): number => box[0] * box[1] + box[1] * box[2] + box[2] * box[0]
  const least = parts.map(area).sort((a, b) => b - a)[most]!
  return parts.filter((part) => area(part) > least)
}

type LayerName = 'pale' | 'solid' | 'coarse' | 'ghosts'

/** How a frame is drawn. */
export interface FrameManner {
  /** What moves is drawn coarser where it is large. */
  readonly pace: 'moving' | 'still'
  /** Dots of the screen for one px of the page. */
  readonly ratio: number
}

/** Draws by the graphics card, or by what the browser has in its place: parts merged into few meshes, drawn on demand. */
export class GraphicsRenderer {
  private readonly renderer: WebGLRenderer
  private readonly uniforms: Uniforms = { clip: { value: new Matrix4() }, view: { value: [1, 0, 0, 0, 1, 0, 0, 0, 1] } }
  private readonly materials: LayerMaterials
  private readonly camera = new NoCamera()
  private readonly layers: Readonly<Record<LayerName, MeshLayer>>
  /** Of what is drawn full, not pale. */
  private count = 0
  private hasMovingLines = true

  constructor(
    canvas: OffscreenCanvas,
    private readonly isCard: boolean,
  ) {
    this.renderer = new WebGLRenderer({ canvas, antialias: isCard, alpha: false, powerPreference: 'low-power' })
    this.renderer.setClearColor(0xffffff, 1)
    this.renderer.autoClear = false
    const { uniforms } = this
    this.materials = { face: materialOf(uniforms, 'face'), line: materialOf(uniforms, 'line'), ghost: materialOf(uniforms, 'ghost') }
    const { face, ghost, line } = this.materials
    this.layers = {
      pale: new MeshLayer({ face, line }, { hasStuds: false }),
      solid: new MeshLayer({ face, line }, { hasStuds: true }),
      coarse: new MeshLayer({ face, line }, { hasStuds: false }),
      ghosts: new MeshLayer({ face: ghost, line }, { hasStuds: true }),
    }
  }

  /** @param pale drawn under the rest, which it never hides */
  setParts(pale: readonly DrawnPart[], solid: readonly DrawnPart[]): void {
    this.count = solid.length
    this.hasMovingLines = solid.length <= MOST_WITH_LINES
    this.layers.pale.setParts(pale)
    this.layers.solid.setParts(solid)
    this.layers.coarse.setParts(solid.length <= MOST_WITH_STUDS ? [] : this.isCard ? solid : largest(solid, MOST_MOVING))
  }

  setGhosts(parts: readonly DrawnPart[]): void {
    this.layers.ghosts.setParts(parts)
  }

  /** @param size of the canvas on the page, px */
  draw(at: Camera, size: PictureSize, { pace, ratio }: FrameManner): void {
    const { renderer, layers } = this
    const isCoarse = pace === 'moving' && this.count > MOST_WITH_STUDS
    renderer.setPixelRatio(isCoarse ? 1 : Math.min(2, ratio))
    renderer.setSize(size.width, size.height, SETS_STYLE)
    setCamera(this.uniforms, at, size)
    renderer.clear()
    this.show(layers.pale, at, { hasLines: true })
    // What is pale hides nothing.
    if (!layers.pale.isEmpty) renderer.clearDepth()
    const hasLines = at.scale > LEAST_LINED && (!isCoarse || this.hasMovingLines)
    this.show(isCoarse ? layers.coarse : layers.solid, at, { hasLines })
    this.show(layers.ghosts, at, { hasLines: true })
  }

  /** Told how long frames take that follow each other while it moves, ms. */
  tooSlow(ms: number): void {
    if (ms > SLOW) this.hasMovingLines = false
  }

  setColours(colours: readonly Colour[]): void {
    this.layers.pale.setTints(tintsOf(colours, 'pale'))
    this.layers.solid.setTints(tintsOf(colours, 'full'))
    this.layers.coarse.setTints(tintsOf(colours, 'full'))
    this.layers.ghosts.setTints(tintsOf(colours, 'ghost'))
  }

  private show(layer: MeshLayer, { matrix }: Camera, what: { readonly hasLines: boolean }): void {
    if (layer.isEmpty) return
    layer.choose([matrix[6], matrix[7], matrix[8]], what)
    this.renderer.render(layer.scene, this.camera)
  }
}

function setCamera({ clip, view }: Uniforms, { matrix: m, scale, originX, originY }: Camera, { width, height }: PictureSize): void {
  const [sx, sy] = [(2 * scale) / width, (2 * scale) / height]
  clip.value.fromArray([
    ...[sx * m[0], sy * m[3], m[6] / DEPTH, 0],
    ...[sx * m[1], sy * m[4], m[7] / DEPTH, 0],
    ...[sx * m[2], sy * m[5], m[8] / DEPTH, 0],
    ...[(2 * originX) / width - 1, 1 - (2 * originY) / height, 0, 1],
  ])
  // Columns one after another, as the card reads a matrix.
  view.value = [m[0], m[3], m[6], m[1], m[4], m[7], m[2], m[5], m[8]]
}

/** Smaller than this, px per u, lines would cover what they outline. */
const LEAST_LINED = 0.45
const PALE = 0.22
const GHOST = 184
const SOLID = 255

/** How strongly a layer is drawn. */
type LayerStrength = 'pale' | 'full' | 'ghost'

function tintsOf(colours: readonly Colour[], how: LayerStrength): (part: DrawnPart) => PartTint {
  const tints = new Map(colours.map((colour) => [colour.id, tintOf(lookOf(colour), how)]))
  return ({ colour }) => tints.get(colour)!
}

function tintOf({ colour, line }: PartLook, how: LayerStrength): PartTint {
  const washed = ([r, g, b]: readonly [number, number, number], share: number): [number, number, number] => [
    255 - (255 - r) * share,
    255 - (255 - g) * share,
    255 - (255 - b) * share,
  ]
  const share = how === 'pale' ? PALE : 1
  return { face: [...washed(colour, share), how === 'ghost' ? GHOST : SOLID], line: washed(line, how === 'pale' ? 0.35 : 1) }
}
