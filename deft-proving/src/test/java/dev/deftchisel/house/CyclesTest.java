package dev.deftchisel.house;

import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Data walks one way: of two packages of any modules, at most one knows the other. */
@AnalyzeClasses(packages = "dev.deftchisel", importOptions = ImportOption.DoNotIncludeTests.class)
class CyclesTest {

    @ArchTest
    static final ArchRule NO_CYCLES = slices().matching("dev.deftchisel.(**)").should().beFreeOfCycles();
}
