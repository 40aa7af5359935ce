package earlygate.server.units;

import earlygate.unit.file.UnitFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What lists show of a sheet; kept beside it, so that no list reads a document.
 *
 * @param drawing number and revision of the schematic
 * @param missing what the file still lacks; 0 for one that can be planned from
 */
public record UnitHead(String name, String drawing, int missing) {
    private static final int LONGEST = 200;

    public static UnitHead of(String document) {
        JsonNode sheet = JsonMapper.shared().readTree(document);
        JsonNode drawing = sheet.path("drawing");
        int missing = UnitFile.read(document) instanceof UnitFile.Reading.Refused refused
                ? Math.max(1, refused.problems().size())
                : 0;
        return new UnitHead(
                cut(sheet.path("name").asString("")),
                cut(drawing.path("number").asString("") + " "
                        + drawing.path("revision").asString("")),
                missing);
    }

    private static String cut(String text) {
        String stripped = text.strip();
        return stripped.length() <= LONGEST ? stripped : stripped.substring(0, LONGEST);
    }
}
