package idlelens.exchange.json;

import idlelens.core.edit.CutTo;
import idlelens.core.edit.MatchCut;
import idlelens.core.edit.MoveCut;
import idlelens.core.edit.RemoveCut;
import idlelens.core.edit.SwapCut;
import java.util.List;

/** Edits of the program. */
final class CutForms {
  static final List<EditForm<?>> ALL =
      List.of(
          EditForm.of(
              "cut-to",
              CutTo.class,
              "frame camera dissolve",
              p ->
                  new CutTo(
                      p.get("frame").whole(),
                      p.get("camera").text(),
                      p.has("dissolve") ? p.get("dissolve").whole() : 0),
              (e, out) ->
                  out.put("frame", e.frame())
                      .put("camera", e.camera())
                      .put("dissolve", e.dissolve())),
          EditForm.of(
              "move-cut",
              MoveCut.class,
              "frame to ripple",
              p ->
                  new MoveCut(p.get("frame").whole(), p.get("to").whole(), p.flag("ripple", false)),
              (e, out) -> out.put("frame", e.frame()).put("to", e.to()).put("ripple", e.ripple())),
          EditForm.of(
              "swap-cut",
              SwapCut.class,
              "frame",
              p -> new SwapCut(p.get("frame").whole()),
              (e, out) -> out.put("frame", e.frame())),
          EditForm.of(
              "remove-cut",
              RemoveCut.class,
              "frame",
              p -> new RemoveCut(p.get("frame").whole()),
              (e, out) -> out.put("frame", e.frame())),
          EditForm.of(
              "match-cut",
              MatchCut.class,
              "frame side frames",
              p ->
                  new MatchCut(
                      p.get("frame").whole(),
                      p.get("side").choice(MatchCut.Side.class),
                      p.get("frames").whole()),
              (e, out) ->
                  out.put("frame", e.frame())
                      .put("side", JsonPlace.word(e.side()))
                      .put("frames", e.frames())));

  private CutForms() {}
}
