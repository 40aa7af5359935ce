package earlygate;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.util.List;

/** Imports run downward only, and the core knows nothing of screens, SQL or HTTP. */
@AnalyzeClasses(packages = "earlygate", importOptions = ImportOption.DoNotIncludeTests.class)
class LayersTest {
    private static final List<String> UPWARD = List.of(
            "quantity",
            "explain",
            "circuit",
            "curve",
            "solve",
            "judge",
            "ladder",
            "reach",
            "sheet",
            "verify",
            "plan",
            "run",
            "rig");

    @ArchTest
    static final ArchRule DOWNWARD = downward();

    @ArchTest
    static final ArchRule PLAIN = ArchRuleDefinition.noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "java.sql..", "java.net..", "org.jooq..", "jakarta..");

    private static ArchRule downward() {
        var layers = layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String name : UPWARD) {
            layers = layers.layer(name).definedBy("earlygate." + name + "..");
        }
        for (int i = 0; i < UPWARD.size() - 1; i++) {
            String[] above = UPWARD.subList(i + 1, UPWARD.size()).toArray(String[]::new);
            layers = layers.whereLayer(UPWARD.get(i)).mayOnlyBeAccessedByLayers(above);
        }
        return layers.whereLayer("rig").mayNotBeAccessedByAnyLayer();
    }
}
