/**
 * Refactorings for Java code as a library. Start at {@link dev.deftchisel.Chisel}.
 *
 * <p>Operations and readers of projects are services: others can add their own. Packages that are not exported hold the
 * operations themselves.
 */
module dev.deftchisel.core {
    requires transitive java.compiler;
    requires jdk.compiler;
    requires com.google.gson;
    requires ec4j.core;
    requires org.eclipse.jgit;
    requires org.slf4j;

    exports dev.deftchisel;
    exports dev.deftchisel.analysis;
    exports dev.deftchisel.change;
    exports dev.deftchisel.guard;
    exports dev.deftchisel.journal;
    exports dev.deftchisel.operation;
    exports dev.deftchisel.source;
    exports dev.deftchisel.workspace;

    opens dev.deftchisel.journal to com.google.gson;

    uses dev.deftchisel.operation.Operation;
    uses dev.deftchisel.workspace.ProjectReader;

    provides dev.deftchisel.operation.Operation with
            dev.deftchisel.declare.BindParametersOperation,
            dev.deftchisel.declare.DeclareAllOperation,
            dev.deftchisel.declare.DeclareCasesOperation,
            dev.deftchisel.declare.DeclareConstructorOperation,
            dev.deftchisel.declare.DeclareLabelOperation,
            dev.deftchisel.declare.DeclareMethodOperation,
            dev.deftchisel.declare.DeclareParameterOperation,
            dev.deftchisel.declare.DeclareTypeOperation,
            dev.deftchisel.declare.DeclareVariableOperation,
            dev.deftchisel.extract.ExtractConstantOperation,
            dev.deftchisel.extract.ExtractFieldOperation,
            dev.deftchisel.extract.ExtractMethodOperation,
            dev.deftchisel.extract.ExtractParameterOperation,
            dev.deftchisel.extract.ExtractVariableOperation,
            dev.deftchisel.generate.GenerateAccessorsOperation,
            dev.deftchisel.generate.GenerateConstructorOperation,
            dev.deftchisel.generate.GenerateDelegationOperation,
            dev.deftchisel.generate.GenerateEqualityOperation,
            dev.deftchisel.generate.GenerateNotificationOperation,
            dev.deftchisel.generate.GenerateOrderingOperation,
            dev.deftchisel.generate.GenerateTestOperation,
            dev.deftchisel.generate.GenerateTextFormOperation,
            dev.deftchisel.generate.ImplementMethodsOperation,
            dev.deftchisel.generate.InheritDocumentationOperation,
            dev.deftchisel.inline.InlineOperation,
            dev.deftchisel.rename.RenameOperation;
    provides dev.deftchisel.workspace.ProjectReader with dev.deftchisel.workspace.FolderReader;
}
