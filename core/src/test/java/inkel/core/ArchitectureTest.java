package inkel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "inkel.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule DATA_GOES_ONE_WAY = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("quantity")
            .definedBy("inkel.core.quantity..")
            .layer("catalog")
            .definedBy("inkel.core.catalog..")
            .layer("build")
            .definedBy("inkel.core.build..")
            .layer("circuit")
            .definedBy("inkel.core.circuit..")
            .layer("finding")
            .definedBy("inkel.core.finding..")
            .layer("remedy")
            .definedBy("inkel.core.remedy..")
            .layer("stages")
            .definedBy(
                    "inkel.core.parts..",
                    "inkel.core.power..",
                    "inkel.core.levels..",
                    "inkel.core.pins..",
                    "inkel.core.wiring..")
            .layer("checks")
            .definedBy("inkel.core.checks..")
            .whereLayer("catalog")
            .mayOnlyAccessLayers("quantity")
            .whereLayer("build")
            .mayOnlyAccessLayers("quantity")
            .whereLayer("circuit")
            .mayOnlyAccessLayers("quantity", "catalog", "build")
            .whereLayer("finding")
            .mayOnlyAccessLayers("quantity", "build")
            .whereLayer("remedy")
            .mayOnlyAccessLayers("quantity", "catalog", "build", "circuit", "finding")
            .whereLayer("stages")
            .mayOnlyAccessLayers("quantity", "catalog", "build", "circuit", "finding", "remedy")
            .whereLayer("checks")
            .mayNotBeAccessedByAnyLayer();

    @ArchTest
    static final ArchRule STAGES_DO_NOT_KNOW_EACH_OTHER = slices().matching(
                    "inkel.core.(parts|power|levels|pins|wiring)..")
            .should()
            .notDependOnEachOther();

    @ArchTest
    static final ArchRule ONLY_IO_KNOWS_JSON = noClasses()
            .that()
            .resideOutsideOfPackage("inkel.core.io..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("com.fasterxml..", "com.networknt..");

    @ArchTest
    static final ArchRule ONLY_THE_MODELS_KNOW_THE_SOLVER = noClasses()
            .that()
            .haveNameNotMatching(".*\\.(PinModel\\w*|StaggerModel)(\\$.*)?")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.chocosolver..");

    @ArchTest
    static final ArchRule NO_INTERFACE_CODE =
            noClasses().should().dependOnClassesThat().resideInAnyPackage("javafx..", "java.awt..", "javax.swing..");
}
