import { NO_BOUNDS, type Bounds } from '../../base/paths';
import { translation } from '../../base/maps';
import { NO_ROOM, shapeAround } from '../../drawing/shapes';
import { LOCAL_BOXES, type Drawing, type PlacedNode } from './openPicture';

/** Names a box around all that is drawn from here to the end of the group (`local bounding box`). */
export function boundHere({ it, picture }: Drawing, name: string): void {
  picture.nodes.set(name, asNode(NO_BOUNDS));
  const put = (bounds: Bounds): void => void picture.nodes.set(name, asNode(bounds));
  it.write(LOCAL_BOXES, [...it.read(LOCAL_BOXES), { bounds: NO_BOUNDS, put }]);
}

/** A box as a node that has its anchors. */
function asNode({ left, right, low, high }: Bounds): PlacedNode {
  const isEmpty = left > right;
  const [x, y] = isEmpty ? [0, 0] : [(left + right) / 2, (low + high) / 2];
  const room = isEmpty
    ? NO_ROOM
    : { ...NO_ROOM, halfWidth: (right - left) / 2, halfHeight: (high - low) / 2 };
  return { shape: shapeAround('rectangle', room), map: translation(x, y), isCoordinate: false };
}
