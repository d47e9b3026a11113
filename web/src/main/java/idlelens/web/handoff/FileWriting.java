package idlelens.web.handoff;

import idlelens.core.cut.Program;
import idlelens.core.rule.RefusedException;
import idlelens.core.scene.Shot;
import idlelens.exchange.csv.AnchorTable;
import idlelens.exchange.cuts.CutList;
import idlelens.exchange.cuts.EdlWriter;
import idlelens.exchange.cuts.OtioWriter;
import idlelens.exchange.format.FormatException;
import idlelens.exchange.formats.SceneFormats;
import idlelens.exchange.json.ShotJson;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.outgoing.SceneOfShot;
import idlelens.exchange.plates.Plates;
import idlelens.exchange.report.ReportPage;
import idlelens.exchange.scenefile.SceneFile;
import idlelens.exchange.scenefile.SceneFormat;
import idlelens.exchange.transfer.TransferCheck;
import idlelens.exchange.transfer.TransferReport;
import idlelens.web.shot.AssetRepository;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Writes files of a shot, each read back and held against it. */
@Component
public class FileWriting {
  private static final int PLATE_WIDTH = 640;

  private final AssetRepository assets;

  FileWriting(AssetRepository assets) {
    this.assets = assets;
  }

  /** A file with its check. */
  public record Checked(WrittenFile file, TransferReport report) {}

  /** The shot itself. */
  WrittenFile shot(Shot shot) {
    return new WrittenFile(
        plain(shot.header().name()) + ".json",
        "json",
        "application/json",
        ShotJson.file(new ShotJson.Parcel(shot, assets.of(shot))),
        List.of(),
        Optional.empty(),
        Optional.empty());
  }

  /** A file of a format that holds scenes. */
  public Checked scene(HandOff handOff, String id) {
    SceneFormat format = SceneFormats.writing(id);
    SceneFile scene = SceneOfShot.of(handOff, format.holds(), assets::mesh);
    SceneFormat.Written written = format.write(scene);
    Set<String> notes = new LinkedHashSet<>(scene.notes());
    notes.addAll(written.notes());
    notes.addAll(notKept(handOff, format));
    TransferReport report = check(handOff, format, written.octets());
    WrittenFile file =
        new WrittenFile(
            fileName(handOff, format),
            format.id(),
            format.facts().mediaType(),
            written.octets(),
            new ArrayList<>(notes),
            Optional.of(handOff.profile().name()),
            Optional.of(report.verdict().sentence()));
    return new Checked(file, report);
  }

  /** What the first camera sees on every frame, with marks for a receiver to hold against. */
  List<WrittenFile> plates(HandOff handOff) {
    List<WrittenFile> files = new ArrayList<>();
    Plates.of(handOff, PLATE_WIDTH, assets::mesh)
        .forEach(
            (name, octets) ->
                files.add(
                    plainFile(
                        name,
                        "plates",
                        name.endsWith(".json") ? "application/json" : "image/png",
                        octets)));
    return files;
  }

  /** Cuts, a report or anchors: files that are not read back. */
  WrittenFile list(Wish wish, HandOff handOff, String id) {
    Shot shot = handOff.shot();
    String name = plain(shot.header().name());
    switch (id) {
      case "otio":
        byte[] otio = OtioWriter.write(cuts(wish, handOff));
        return plainFile(name + ".otio", id, "application/json", otio);
      case "edl":
        return plainFile(name + ".edl", id, "text/plain", EdlWriter.write(cuts(wish, handOff)));
      case "anchors":
        String camera = handOff.cameras().get(0);
        byte[] table = AnchorTable.write(handOff, camera, assets::meshOf);
        String named = name + " " + plain(shot.camera(camera).name()) + " anchors.csv";
        return plainFile(named, id, "text/csv;charset=UTF-8", table);
      default:
        Optional<CutList> cuts = wish.program(shot).map(p -> CutList.of(shot, p, handOff.frames()));
        byte[] page = ReportPage.write(handOff, cuts);
        return plainFile(name + " report.html", id, "text/html;charset=UTF-8", page);
    }
  }

  /** Those of the program, or of the one camera that is seen all the time. */
  private static CutList cuts(Wish wish, HandOff handOff) {
    Program program =
        wish.program(handOff.shot()).orElseGet(() -> Program.only(handOff.cameras().get(0)));
    return CutList.of(handOff, program);
  }

  private static WrittenFile plainFile(String name, String id, String type, byte[] octets) {
    return new WrittenFile(name, id, type, octets, List.of(), Optional.empty(), Optional.empty());
  }

  /** A shot with one camera only, or one that a format leaves out, is told by its name. */
  private static String fileName(HandOff handOff, SceneFormat format) {
    String shot = handOff.shot().header().name();
    boolean one = handOff.cameras().size() == 1 || !format.holds().nodes();
    String name = one ? shot + " " + handOff.shot().camera(handOff.cameras().get(0)).name() : shot;
    return plain(name) + "." + format.endings().get(0);
  }

  /** What of the profile a format has no place for. */
  private static List<String> notKept(HandOff handOff, SceneFormat format) {
    var wish = handOff.profile().conventions();
    var kept = format.holds().within(wish);
    List<String> notes = new ArrayList<>();
    if (kept.axes() != wish.axes()) {
      notes.add(format.label() + " has " + kept.axes().label() + ", not " + wish.axes().label());
    }
    if (kept.metresPerUnit() != wish.metresPerUnit()) {
      notes.add(format.label() + " counts in units of " + kept.metresPerUnit() + " m");
    }
    if (!format.holds().nodes() && handOff.cameras().size() > 1) {
      notes.add(format.label() + " holds one camera a file: this is the first of them");
    }
    return notes;
  }

  private static TransferReport check(HandOff handOff, SceneFormat format, byte[] octets) {
    try {
      return TransferCheck.of(handOff, format, octets, handOff.profile().picture().widthPx());
    } catch (FormatException e) {
      throw new RefusedException(e.where(), e.found(), e.allowed());
    }
  }

  /** A name without what a file's name may not have. */
  static String plain(String name) {
    String kept = name.replaceAll("[^\\p{L}\\p{N}_ -]", "").strip();
    return kept.isEmpty() ? "shot" : kept;
  }
}
