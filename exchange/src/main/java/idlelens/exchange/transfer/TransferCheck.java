package idlelens.exchange.transfer;

import idlelens.core.check.PictureOffset;
import idlelens.core.check.Views;
import idlelens.core.geometry.Turns;
import idlelens.core.motion.Evaluation;
import idlelens.core.motion.LensTrack;
import idlelens.core.motion.NodeMotion;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import idlelens.core.time.SampleGrid;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.incoming.ReadSettings;
import idlelens.exchange.incoming.SceneImport;
import idlelens.exchange.incoming.SceneReading;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.scenefile.Content;
import idlelens.exchange.scenefile.FileNode;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.scenefile.Upload;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * Reads a written file back into a fresh shot, and compares its cameras with those of the shot it
 * was made of, on every frame of the receiver and half way between.
 */
public final class TransferCheck {
  private static final String PREFIX = "back";

  private final HandOff handOff;
  private final SceneFormat format;
  private final Evaluation own;
  private final Evaluation back;
  private final Map<String, String> backIds = new HashMap<>();

  private TransferCheck(HandOff handOff, SceneFormat format, byte[] file) throws FormatException {
    this.handOff = handOff;
    this.format = format;
    SceneFile scene = format.read(Upload.of("file." + format.endings().get(0), file));
    Shot shot = handOff.shot();
    int first = handOff.firstFrame();
    SceneImport found =
        SceneReading.read(
            scene,
            new ReadSettings(
                handOff.rate(), first, OptionalDouble.of(shot.header().aspect()), PREFIX));
    Shot fresh =
        new Shot(
            shot.header().withTime(handOff.rate(), found.range(), shot.header().handles()),
            found.nodes());
    SampleGrid grid = handOff.grid();
    int count = 2 * grid.count() - 1;
    this.own =
        Evaluation.of(shot, new SampleGrid(grid.first(), count, grid.stepsPerFrame() * 2), null);
    this.back = Evaluation.of(fresh, new SampleGrid(first, count, 2), null);
    match(scene, fresh);
  }

  /** Cameras come back in the order in which they went out. */
  private void match(SceneFile scene, Shot fresh) throws FormatException {
    List<String> cameras = new ArrayList<>();
    for (FileNode node : scene.nodes()) {
      if (node.contents().stream().anyMatch(Content.Camera.class::isInstance)) {
        String id = PREFIX + node.key();
        cameras.add(fresh.node(id) instanceof Node.Camera ? id : id + "c0");
      }
    }
    List<String> sent = sent();
    if (cameras.size() != sent.size()) {
      throw new FormatException("cameras", cameras.size(), sent.size() + ", as went out");
    }
    for (int i = 0; i < sent.size(); i++) {
      backIds.put(sent.get(i), cameras.get(i));
    }
  }

  private List<String> sent() {
    if (!format.holds().nodes()) {
      return handOff.cameras().subList(0, 1);
    }
    return handOff.shot().nodes().stream()
        .map(Node::id)
        .filter(handOff.cameras()::contains)
        .toList();
  }

  /**
   * @param file as it was written for the hand-off
   * @param widthPx width of the picture in which pixels count
   * @throws FormatException if the file cannot even be read
   */
  public static TransferReport of(HandOff handOff, SceneFormat format, byte[] file, int widthPx)
      throws FormatException {
    return new TransferCheck(handOff, format, file).report(widthPx);
  }

  private TransferReport report(int widthPx) {
    List<CameraReport> cameras = new ArrayList<>();
    for (String id : sent()) {
      cameras.add(camera(id, widthPx));
    }
    return new TransferReport(
        cameras, widthPx, handOff.firstFrame(), Verdict.of(handOff, format, cameras));
  }

  private CameraReport camera(String id, int widthPx) {
    String theirs = backIds.get(id);
    NodeMotion was = own.of(id);
    NodeMotion is = back.of(theirs);
    Views ownView = new Views(own, id);
    Views backView = new Views(back, theirs);
    LensTrack lens = was.lens().orElseThrow();
    LensTrack other = is.lens().orElseThrow();
    int frames = handOff.grid().count();
    double[][] columns = new double[5][frames];
    double between = 0;
    for (int i = 0; i < own.grid().count(); i++) {
      double subject = lens.focusM()[lens.index(i)];
      PictureOffset off = PictureOffset.of(ownView.at(i), backView.at(i), subject, widthPx);
      if (i % 2 == 1) {
        between = Math.max(between, off.mostPx());
        continue;
      }
      int frame = i / 2;
      columns[0][frame] = off.mostPx();
      columns[1][frame] = off.meanPx();
      columns[2][frame] = 1000 * was.world().pose(i).place().distance(is.world().pose(i).place());
      columns[3][frame] =
          60 * Math.toDegrees(Turns.angleBetween(was.world().turn(i), is.world().turn(i)));
      columns[4][frame] =
          Math.toDegrees(
              Math.abs(
                  lens.horizontalRad()[lens.index(i)] - other.horizontalRad()[other.index(i)]));
    }
    String name = handOff.shot().node(id).name();
    return new CameraReport(
        name, columns[0], columns[1], columns[2], columns[3], columns[4], between);
  }
}
