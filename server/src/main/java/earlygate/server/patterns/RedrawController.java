package earlygate.server.patterns;

import earlygate.drawing.Change;
import earlygate.drawing.DrawingEdit;
import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.Words;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Changes a circuit as a hand points it out on its drawing. Nothing is kept: the sheet that is drawn so is saved as any other. */
@RestController
class RedrawController {
    private static final Words WORDS = Words.in(PressureUnit.BAR);
    private static final double HIGHEST_BAR = 1000;

    /** @param unconfirmed places in the unit file that nobody has confirmed */
    record RedrawRequest(
            @Schema(implementation = Object.class) JsonNode unit, List<String> unconfirmed, ChangeView change) {}

    /**
     * @param kind put, second, replace, move, remove, join, split, merge or rename
     * @param subject the line that something is put on, split or merged; the part or gauge that is changed
     * @param type of the new part; or the key of a pump's control
     * @param bar what the new part is set to
     * @param end of a part that is moved
     * @param to the line it goes to, the driver, or the new name
     * @param behind ends that stand behind a new part, as {@code C1.cap}
     */
    record ChangeView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String kind,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String subject,

            String type,
            Double bar,
            String end,
            String to,
            List<String> behind) {}

    /**
     * @param made name of what was drawn or changed; empty where something was taken out
     * @param gone names of what went with it
     */
    record RedrawnView(
            @Schema(implementation = Object.class) JsonNode document,
            List<String> unconfirmed,
            String made,
            List<String> gone,
            String said) {}

    @GetMapping("/api/calc/redraw/kinds")
    List<DrawingEdit.Kind> kinds() {
        return DrawingEdit.kinds();
    }

    @PostMapping("/api/calc/redraw")
    RedrawnView redraw(@RequestBody RedrawRequest request) {
        if (request.change() == null) {
            throw ApiProblem.badInput("change", Reason.of("drawing.no-change"));
        }
        List<String> unconfirmed = request.unconfirmed() == null ? List.of() : request.unconfirmed();
        DrawingEdit.Answer answer = DrawingEdit.of(request.unit(), unconfirmed, change(request.change()));
        if (answer instanceof DrawingEdit.Answer.Refused refused) {
            throw ApiProblem.badInput("change", refused.reason());
        }
        DrawingEdit.Answer.Drawn d = (DrawingEdit.Answer.Drawn) answer;
        return new RedrawnView(d.unit(), d.unconfirmed(), d.made(), d.gone(), WORDS.say(d.said()));
    }

    private static Change change(ChangeView c) {
        String subject = text(c.subject());
        String type = text(c.type());
        return switch (text(c.kind())) {
            case "put" -> new Change.Put(type, subject, bar(c));
            case "second" -> new Change.Second(subject);
            case "replace" -> new Change.Replace(subject, type, bar(c));
            case "move" -> new Change.Move(subject, text(c.end()), text(c.to()));
            case "remove" -> new Change.Remove(subject, false);
            case "join" -> new Change.Remove(subject, true);
            case "split" -> new Change.Split(subject, type, c.behind() == null ? List.of() : c.behind(), bar(c));
            case "merge" -> new Change.Merge(subject, text(c.to()));
            case "fit" -> new Change.Fit(subject, type, bar(c));
            case "unfit" -> new Change.Unfit(subject, type);
            case "drive" -> new Change.Drive(subject, text(c.to()));
            case "rename" -> new Change.Rename(subject, text(c.to()));
            default ->
                throw ApiProblem.badInput(
                        "change.kind", Reason.of("drawing.unknown-change").name("id", text(c.kind())));
        };
    }

    private static OptionalDouble bar(ChangeView c) {
        if (c.bar() == null) {
            return OptionalDouble.empty();
        }
        double bar = c.bar();
        if (!(bar > 0 && bar <= HIGHEST_BAR)) {
            throw ApiProblem.badInput(
                    "change.bar",
                    Reason.of("drawing.pressure-out-of-range")
                            .name("value", String.valueOf(bar))
                            .number("highest", HIGHEST_BAR));
        }
        return OptionalDouble.of(bar);
    }

    private static String text(String text) {
        return text == null ? "" : text.strip();
    }
}
