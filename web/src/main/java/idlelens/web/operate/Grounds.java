package idlelens.web.operate;

import idlelens.core.rule.RefusedException;
import idlelens.core.walk.Ground;
import idlelens.web.shot.AssetRepository;
import idlelens.web.shot.ShotService;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The grounds that are walked on now: those asked for last, as far as there is room for them. */
@Component
class Grounds {
  /** So many triangles take some 150 MB. */
  private static final long ROOM = 1_500_000;

  private static final int MOST = 8;

  private final AssetRepository assets;
  private final Map<Key, Ground> kept = new LinkedHashMap<>(MOST, 0.75f, true);

  Grounds(AssetRepository assets) {
    this.assets = assets;
  }

  private record Key(long shot, long revision, String camera) {}

  /**
   * The ground of a shot as it is.
   *
   * @param camera that is walked with
   */
  Ground of(long shot, ShotService.Revised now, String camera) {
    Key key = new Key(shot, now.revision(), camera);
    synchronized (kept) {
      Ground ground = kept.get(key);
      if (ground != null) {
        return ground;
      }
    }
    Ground made = Ground.of(now.shot(), camera, assets::meshOf);
    if (made.triangles() > ROOM) {
      throw new RefusedException(
          "ground",
          "of " + made.triangles() + " triangles",
          "at most 1,500,000; hide large pieces in the picture, and they are walked through");
    }
    synchronized (kept) {
      kept.keySet().removeIf(k -> k.shot == shot && k.revision < now.revision());
      kept.put(key, made);
      makeRoom();
      return made;
    }
  }

  private void makeRoom() {
    List<Key> oldestFirst = new ArrayList<>(kept.keySet());
    long triangles = kept.values().stream().mapToLong(Ground::triangles).sum();
    for (Key key : oldestFirst.subList(0, oldestFirst.size() - 1)) {
      if (kept.size() <= MOST && triangles <= ROOM) {
        return;
      }
      triangles -= kept.remove(key).triangles();
    }
  }
}
