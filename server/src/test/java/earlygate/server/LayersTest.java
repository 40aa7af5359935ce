package earlygate.server;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import java.util.stream.Collectors;

/** The server's rooms: what all share below, then a room for each feature; imports run downward only. */
@AnalyzeClasses(packages = "earlygate.server", importOptions = ImportOption.DoNotIncludeTests.class)
class LayersTest {
    private static final String SERVER = "earlygate.server";

    /** Every package, the bottom of the house first. */
    private static final List<String> UPWARD = List.of(
            "words",
            "tables",
            "store",
            "access",
            "api",
            "documents",
            "units",
            "migration",
            "instruments",
            "calc",
            "patterns",
            "journal",
            "plans",
            "rig",
            "runs",
            "files",
            "records",
            "history",
            "upkeep",
            "days",
            "home",
            "start");

    @ArchTest
    static final ArchRule DOWNWARD = downward();

    @ArchTest
    static void everyPackageHasItsFloor(JavaClasses classes) {
        assertThat(classes.stream()
                        .map(c -> c.getPackageName())
                        .filter(p -> !p.equals(SERVER))
                        .map(p -> p.substring(SERVER.length() + 1).split("\\.")[0])
                        .collect(Collectors.toSet()))
                .containsExactlyInAnyOrderElementsOf(UPWARD);
    }

    private static ArchRule downward() {
        var layers = layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String name : UPWARD) {
            layers = layers.layer(name).definedBy(SERVER + "." + name + "..");
        }
        for (int i = 0; i < UPWARD.size() - 1; i++) {
            String[] above = UPWARD.subList(i + 1, UPWARD.size()).toArray(String[]::new);
            layers = layers.whereLayer(UPWARD.get(i)).mayOnlyBeAccessedByLayers(above);
        }
        return layers.whereLayer(UPWARD.get(UPWARD.size() - 1)).mayNotBeAccessedByAnyLayer();
    }
}
