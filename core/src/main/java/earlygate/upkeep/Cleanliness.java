package earlygate.upkeep;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Cleanliness of oil by ISO 4406: classes of the particles larger than 4, 6 and 14 micrometres in a millilitre, each class
 * twice the one below.
 */
public record Cleanliness(int above4, int above6, int above14) {
    private static final Pattern CODE = Pattern.compile("(\\d{1,2})\\s*/\\s*(\\d{1,2})\\s*/\\s*(\\d{1,2})");
    private static final int HIGHEST = 28;

    /** Empty for what is no code: three classes to 28, none above the one before, for fewer particles are larger. */
    public static Optional<Cleanliness> parse(String text) {
        Matcher code = CODE.matcher(text == null ? "" : text.strip());
        if (!code.matches()) {
            return Optional.empty();
        }
        Cleanliness c = new Cleanliness(
                Integer.parseInt(code.group(1)), Integer.parseInt(code.group(2)), Integer.parseInt(code.group(3)));
        boolean falls = c.above4 <= HIGHEST && c.above6 <= c.above4 && c.above14 <= c.above6;
        return falls ? Optional.of(c) : Optional.empty();
    }

    public List<Integer> classes() {
        return Stream.of(above4, above6, above14).toList();
    }

    /** By how many classes the dirtiest of the three is above the target; 0 or less for oil as clean as it should be. */
    public int above(Cleanliness target) {
        return IntStream.range(0, 3)
                .map(i -> classes().get(i) - target.classes().get(i))
                .max()
                .orElseThrow();
    }

    public String code() {
        return above4 + "/" + above6 + "/" + above14;
    }
}
