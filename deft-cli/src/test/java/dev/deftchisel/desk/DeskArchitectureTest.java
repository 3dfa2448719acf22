package dev.deftchisel.desk;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The rooms of the screen, and who may call whom. */
@AnalyzeClasses(packages = {"dev.deftchisel.cli", "dev.deftchisel.desk"},
        importOptions = ImportOption.DoNotIncludeTests.class)
class DeskArchitectureTest {

    @ArchTest
    static final ArchRule ONE_WAY = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("command").definedBy("dev.deftchisel.cli..")
            .layer("terminal").definedBy("..desk.terminal..")
            .layer("desk").definedBy("dev.deftchisel.desk")
            .layer("panel").definedBy("..desk.panel..")
            .layer("code").definedBy("..desk.code..")
            .layer("text").definedBy("..desk.text..")
            .layer("picture").definedBy("..desk.picture..")
            .layer("key").definedBy("..desk.key..")
            .whereLayer("command").mayNotBeAccessedByAnyLayer()
            .whereLayer("terminal").mayOnlyBeAccessedByLayers("command")
            .whereLayer("desk").mayOnlyBeAccessedByLayers("command", "terminal")
            .whereLayer("panel").mayOnlyBeAccessedByLayers("desk")
            .whereLayer("code").mayOnlyBeAccessedByLayers("desk", "panel")
            .whereLayer("text").mayOnlyBeAccessedByLayers("desk", "code");

    @ArchTest
    static final ArchRule A_MODEL_KNOWS_NO_TERMINAL = noClasses().that().resideInAPackage("dev.deftchisel.desk..")
            .and().resideOutsideOfPackage("..desk.terminal..").should().dependOnClassesThat()
            .resideInAPackage("org.jline.terminal..");

    @ArchTest
    static final ArchRule NOTHING_IS_REWRITTEN_HERE = noClasses().that().resideInAPackage("dev.deftchisel.desk..")
            .should().dependOnClassesThat().resideInAnyPackage("dev.deftchisel.rewrite..", "dev.deftchisel.guard..",
                    "com.sun.source..");
}
