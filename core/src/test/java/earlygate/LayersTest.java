package earlygate;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.util.List;
import java.util.stream.Collectors;

/** Imports run downward only, and the core knows nothing of screens, SQL or HTTP. */
@AnalyzeClasses(packages = "earlygate", importOptions = ImportOption.DoNotIncludeTests.class)
class LayersTest {
    /** Every package, the bottom of the house first. */
    private static final List<String> UPWARD = List.of(
            "work",
            "quantity",
            "explain",
            "unit",
            "unit.file",
            "curve",
            "network",
            "solve",
            "judge",
            "gauge",
            "target",
            "ladder",
            "verify",
            "history",
            "history.file",
            "upkeep",
            "plan",
            "audit",
            "planner.search",
            "planner.script",
            "planner",
            "run",
            "rig",
            "day",
            "reckon",
            "identify",
            "drawing",
            "pattern");

    @ArchTest
    static final ArchRule DOWNWARD = downward();

    @ArchTest
    static final ArchRule PLAIN = ArchRuleDefinition.noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "java.sql..", "java.net..", "org.jooq..", "jakarta..");

    /** The drawn unit, the network and the plan are data and numbers; how they are written down is somebody else's. */
    @ArchTest
    static final ArchRule NO_JSON_IN_THE_MODEL = ArchRuleDefinition.noClasses()
            .that()
            .resideInAnyPackage("earlygate.unit", "earlygate.curve", "earlygate.network", "earlygate.solve")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("tools.jackson..", "com.fasterxml..", "com.networknt..");

    /** Whoever reads a plan needs its data, not its maker. */
    @ArchTest
    static final ArchRule PLANS_ARE_READ_WITHOUT_THEIR_MAKER = ArchRuleDefinition.noClasses()
            .that()
            .resideInAnyPackage("earlygate.run", "earlygate.day", "earlygate.rig")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("earlygate.planner..");

    /** Who finds the faults of plans must not share them: nothing of their making, nor of the search behind it. */
    @ArchTest
    static final ArchRule THE_AUDITOR_STANDS_ALONE = ArchRuleDefinition.noClasses()
            .that()
            .resideInAnyPackage("earlygate.audit")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("earlygate.planner..", "earlygate.gauge", "earlygate.target", "earlygate.ladder");

    @ArchTest
    static void everyPackageHasItsFloor(JavaClasses classes) {
        assertThat(classes.stream()
                        .map(JavaClass::getPackageName)
                        .map(p -> p.substring("earlygate.".length()))
                        .collect(Collectors.toSet()))
                .containsExactlyInAnyOrderElementsOf(UPWARD);
    }

    private static ArchRule downward() {
        var layers = layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String name : UPWARD) {
            layers = layers.layer(name).definedBy("earlygate." + name);
        }
        for (int i = 0; i < UPWARD.size() - 1; i++) {
            String[] above = UPWARD.subList(i + 1, UPWARD.size()).toArray(String[]::new);
            layers = layers.whereLayer(UPWARD.get(i)).mayOnlyBeAccessedByLayers(above);
        }
        return layers.whereLayer(UPWARD.get(UPWARD.size() - 1)).mayNotBeAccessedByAnyLayer();
    }
}
