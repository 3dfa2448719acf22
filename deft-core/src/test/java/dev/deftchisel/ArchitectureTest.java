package dev.deftchisel;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;

/** The way through the house: who may call whom. */
@AnalyzeClasses(packages = "dev.deftchisel", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule ONE_WAY = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("facade").definedBy("dev.deftchisel")
            .layer("journal").definedBy("..journal..")
            .layer("guard").definedBy("..guard..")
            .layer("operations").definedBy("..rename..", "..signature..", "..extract..", "..inline..", "..generate..",
                    "..declare..", "..access..", "..move..")
            .layer("header").definedBy("..header..")
            .layer("navigation").definedBy("..navigation..")
            .layer("rules").definedBy("..rule..", "..repair..")
            .layer("problem").definedBy("..problem..")
            .layer("member").definedBy("..member..")
            .layer("rewrite").definedBy("..rewrite..")
            .layer("operation").definedBy("..operation..")
            .layer("change").definedBy("..change..")
            .layer("analysis").definedBy("..analysis..")
            .layer("added").definedBy("..added..")
            .layer("background").definedBy("..background..")
            .layer("external").definedBy("..external..")
            .layer("workspace").definedBy("..workspace..")
            .layer("jdk").definedBy("..jdk..")
            .layer("source").definedBy("..source..")
            .whereLayer("facade").mayNotBeAccessedByAnyLayer()
            .whereLayer("background").mayNotBeAccessedByAnyLayer()
            .whereLayer("external").mayOnlyBeAccessedByLayers("operations")
            .whereLayer("added").mayOnlyBeAccessedByLayers("analysis", "guard", "operations")
            .whereLayer("jdk").mayOnlyBeAccessedByLayers("workspace")
            .whereLayer("journal").mayOnlyBeAccessedByLayers("facade")
            .whereLayer("guard").mayOnlyBeAccessedByLayers("facade")
            .whereLayer("operations").mayNotBeAccessedByAnyLayer()
            .whereLayer("header").mayOnlyBeAccessedByLayers("facade", "operations")
            .whereLayer("navigation").mayOnlyBeAccessedByLayers("facade")
            .whereLayer("rules").mayNotBeAccessedByAnyLayer()
            .whereLayer("problem").mayOnlyBeAccessedByLayers("facade", "rules")
            .whereLayer("member").mayOnlyBeAccessedByLayers("operations", "rules")
            .whereLayer("rewrite").mayOnlyBeAccessedByLayers("facade", "operations", "member", "problem", "rules")
            .whereLayer("operation").mayOnlyBeAccessedByLayers("facade", "header", "member", "operations", "problem",
                    "rules")
            .whereLayer("change").mayOnlyBeAccessedByLayers(
                    "facade", "journal", "guard", "header", "operation", "rewrite", "member", "operations",
                    "problem")
            .whereLayer("analysis").mayOnlyBeAccessedByLayers(
                    "facade", "guard", "change", "header", "operation", "rewrite", "member", "operations", "navigation",
                    "problem",
                    "rules", "background");

    @ArchTest
    static final ArchRule NO_CYCLES = slices().matching("dev.deftchisel.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_CYCLES_BELOW = slices().matching("dev.deftchisel.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_COMPILER_INTERNALS =
            noClasses().should().dependOnClassesThat().resideInAPackage("com.sun.tools.javac..");

    @ArchTest
    static final ArchRule NO_PRINTING = noClasses().should().accessField(System.class, "out")
            .orShould().accessField(System.class, "err")
            .orShould().callMethod(System.class, "exit", int.class);

    /** The text of a type has its annotations in it: who compares it, misses what is annotated. */
    @ArchTest
    static final ArchRule TYPES_ARE_ASKED = noClasses().that().doNotHaveSimpleName("NamedTypes")
            .should().callMethod(TypeMirror.class, "toString")
            .orShould().callMethod(DeclaredType.class, "toString")
            .orShould().callMethod(ArrayType.class, "toString")
            .orShould().callMethod(TypeVariable.class, "toString");
}
