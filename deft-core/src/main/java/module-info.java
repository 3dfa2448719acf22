/**
 * Refactorings for Java code as a library. Start at {@link dev.deftchisel.Chisel}.
 *
 * <p>Operations and readers of projects are services: others can add their own. Packages that are not exported hold the
 * operations themselves.
 */
module dev.deftchisel.core {
    requires transitive java.compiler;
    requires java.xml;
    requires jdk.compiler;
    requires com.google.gson;
    requires ec4j.core;
    requires org.eclipse.jgit;
    requires org.objectweb.asm;
    requires org.slf4j;

    exports dev.deftchisel;
    exports dev.deftchisel.added;
    exports dev.deftchisel.analysis;
    exports dev.deftchisel.analysis.code;
    exports dev.deftchisel.analysis.compiler;
    exports dev.deftchisel.analysis.declared;
    exports dev.deftchisel.analysis.symbol;
    exports dev.deftchisel.analysis.value;
    exports dev.deftchisel.background;
    exports dev.deftchisel.change;
    exports dev.deftchisel.external;
    exports dev.deftchisel.guard;
    exports dev.deftchisel.header.edited;
    exports dev.deftchisel.jdk;
    exports dev.deftchisel.journal;
    exports dev.deftchisel.navigation;
    exports dev.deftchisel.navigation.declaration;
    exports dev.deftchisel.operation;
    exports dev.deftchisel.problem;
    exports dev.deftchisel.problem.detection;
    exports dev.deftchisel.problem.store;
    exports dev.deftchisel.rewrite;
    exports dev.deftchisel.rewrite.place;
    exports dev.deftchisel.source;
    exports dev.deftchisel.source.outline;
    exports dev.deftchisel.workspace;
    exports dev.deftchisel.workspace.opening;
    exports dev.deftchisel.workspace.surroundings;

    opens dev.deftchisel.journal to com.google.gson;
    opens dev.deftchisel.problem to com.google.gson;
    opens dev.deftchisel.problem.store to com.google.gson;

    uses dev.deftchisel.added.AddedMembers;
    uses dev.deftchisel.external.ExternalNames;
    uses dev.deftchisel.operation.Operation;
    uses dev.deftchisel.problem.Repair;
    uses dev.deftchisel.problem.Rule;
    uses dev.deftchisel.workspace.opening.ProjectReader;

    provides dev.deftchisel.added.AddedMembers with dev.deftchisel.added.lombok.LombokMembers;
    provides dev.deftchisel.external.ExternalNames with dev.deftchisel.external.KnownFrameworks;
    provides dev.deftchisel.operation.Operation with
            dev.deftchisel.access.OpenAccessOperation,
            dev.deftchisel.declare.BindParametersOperation,
            dev.deftchisel.declare.DeclareAllOperation,
            dev.deftchisel.declare.DeclareCasesOperation,
            dev.deftchisel.declare.DeclareConstructorOperation,
            dev.deftchisel.declare.DeclareLabelOperation,
            dev.deftchisel.declare.DeclareMethodOperation,
            dev.deftchisel.declare.DeclareParameterOperation,
            dev.deftchisel.declare.DeclareTypeOperation,
            dev.deftchisel.declare.DeclareVariableOperation,
            dev.deftchisel.extract.value.ExtractConstantOperation,
            dev.deftchisel.extract.value.ExtractFieldOperation,
            dev.deftchisel.extract.method.ExtractMethodOperation,
            dev.deftchisel.extract.value.ExtractParameterOperation,
            dev.deftchisel.extract.value.ExtractVariableOperation,
            dev.deftchisel.generate.method.CheckForNullOperation,
            dev.deftchisel.generate.GenerateAccessorsOperation,
            dev.deftchisel.generate.GenerateConstructorOperation,
            dev.deftchisel.generate.method.GenerateDelegationOperation,
            dev.deftchisel.generate.GenerateEqualityOperation,
            dev.deftchisel.generate.GenerateNotificationOperation,
            dev.deftchisel.generate.GenerateOrderingOperation,
            dev.deftchisel.generate.method.GenerateTestOperation,
            dev.deftchisel.generate.GenerateTextFormOperation,
            dev.deftchisel.generate.method.ImplementMethodsOperation,
            dev.deftchisel.generate.method.InheritDocumentationOperation,
            dev.deftchisel.inline.InlineOperation,
            dev.deftchisel.move.MoveToPackageFolderOperation,
            dev.deftchisel.move.MoveFileOperation,
            dev.deftchisel.move.MoveTypeOperation,
            dev.deftchisel.rename.RenameOperation,
            dev.deftchisel.signature.ChangeSignatureOperation,
            dev.deftchisel.signature.InlineParameterOperation,
            dev.deftchisel.signature.FitSignatureOperation,
            dev.deftchisel.signature.ReplaceConstructorOperation,
            dev.deftchisel.signature.IntroduceParameterObjectOperation,
            dev.deftchisel.signature.UseSupertypeOperation;
    provides dev.deftchisel.problem.Repair with
            dev.deftchisel.repair.type.RepeatedComparison,
            dev.deftchisel.repair.member.CastBeforeDot,
            dev.deftchisel.repair.member.StreamMember,
            dev.deftchisel.repair.member.RecordCopy,
            dev.deftchisel.repair.name.JumpLabel,
            dev.deftchisel.repair.declaration.UnrelatedDefaults,
            dev.deftchisel.repair.type.LambdaParameterType,
            dev.deftchisel.repair.call.KeyForComparator,
            dev.deftchisel.repair.flow.LoopForFunction,
            dev.deftchisel.repair.type.FunctionType,
            dev.deftchisel.repair.member.ChainOfSetters,
            dev.deftchisel.repair.call.ConstructorCall,
            dev.deftchisel.repair.declaration.WrongAnnotation,
            dev.deftchisel.repair.type.WrongTypeArguments,
            dev.deftchisel.repair.member.SiblingMethod,
            dev.deftchisel.repair.call.ArgumentsTogether,
            dev.deftchisel.repair.type.MethodForOperator,
            dev.deftchisel.repair.call.AssignedCall,
            dev.deftchisel.repair.type.FunctionOrValue,
            dev.deftchisel.repair.member.FunctionOnObject,
            dev.deftchisel.repair.call.FactoryForConstructor,
            dev.deftchisel.repair.type.TypeParameterBound,
            dev.deftchisel.repair.name.ForwardReference,
            dev.deftchisel.repair.declaration.InheritedContract,
            dev.deftchisel.repair.type.MeantValue,
            dev.deftchisel.repair.member.WrappedValue,
            dev.deftchisel.repair.type.InapplicableOperator,
            dev.deftchisel.repair.flow.SwitchLabels,
            dev.deftchisel.repair.flow.LoopsAndJumps,
            dev.deftchisel.repair.declaration.UndeterminedType,
            dev.deftchisel.repair.call.AbstractInstantiation,
            dev.deftchisel.repair.call.ConstructorArguments,
            dev.deftchisel.repair.call.ConstructorStart,
            dev.deftchisel.repair.call.FieldInitialization,
            dev.deftchisel.repair.call.MethodOrConstructor,
            dev.deftchisel.repair.name.WrongStatic,
            dev.deftchisel.repair.declaration.WrongFamily,
            dev.deftchisel.repair.type.WrongLambda,
            dev.deftchisel.repair.flow.WrongException,
            dev.deftchisel.repair.flow.FinalAssigned,
            dev.deftchisel.repair.flow.MissingCases,
            dev.deftchisel.repair.declaration.MissingImplementation,
            dev.deftchisel.repair.name.MissingPackage,
            dev.deftchisel.repair.flow.MissingReturn,
            dev.deftchisel.repair.member.InaccessibleMember,
            dev.deftchisel.repair.flow.NoValueYet,
            dev.deftchisel.repair.name.NotStatic,
            dev.deftchisel.repair.declaration.SuperfluousCode,
            dev.deftchisel.repair.syntax.SyntaxRepair,
            dev.deftchisel.repair.syntax.SyntaxErrors,
            dev.deftchisel.repair.name.TwiceDeclared,
            dev.deftchisel.repair.member.MeantMember,
            dev.deftchisel.repair.name.MeantName,
            dev.deftchisel.repair.name.OutOfScope,
            dev.deftchisel.repair.name.UnknownName,
            dev.deftchisel.repair.flow.UnreportedException,
            dev.deftchisel.repair.call.WrongArguments,
            dev.deftchisel.repair.declaration.WrongBody,
            dev.deftchisel.repair.declaration.WrongHeader,
            dev.deftchisel.repair.type.WrongOperands,
            dev.deftchisel.repair.declaration.WrongOverride,
            dev.deftchisel.repair.type.WrongType;
    provides dev.deftchisel.problem.Rule with
            dev.deftchisel.rule.call.ChangedInLoop,
            dev.deftchisel.rule.call.CharAsNumber,
            dev.deftchisel.rule.call.DatePattern,
            dev.deftchisel.rule.call.EarlyCast,
            dev.deftchisel.rule.call.FormatArguments,
            dev.deftchisel.rule.call.IgnoredResult,
            dev.deftchisel.rule.call.IntegerDivision,
            dev.deftchisel.rule.call.ConstantOverflow,
            dev.deftchisel.rule.call.LateWidening,
            dev.deftchisel.rule.call.NullOptional,
            dev.deftchisel.rule.call.PatternCharacter,
            dev.deftchisel.rule.call.StaticByInstance,
            dev.deftchisel.rule.call.ThreadNotStarted,
            dev.deftchisel.rule.condition.BooleanChoice,
            dev.deftchisel.rule.condition.BooleanComparison,
            dev.deftchisel.rule.condition.BooleanReturn,
            dev.deftchisel.rule.condition.CertainNull,
            dev.deftchisel.rule.condition.ConstantCondition,
            dev.deftchisel.rule.condition.ContraryConditions,
            dev.deftchisel.rule.condition.NeedlessNegation,
            dev.deftchisel.rule.condition.NeedlessTypeTest,
            dev.deftchisel.rule.condition.NullTestBeforeTypeTest,
            dev.deftchisel.rule.condition.RepeatedCondition,
            dev.deftchisel.rule.condition.SameBranches,
            dev.deftchisel.rule.condition.SameOperands,
            dev.deftchisel.rule.equality.ArrayAsObject,
            dev.deftchisel.rule.equality.ComparisonBySubtraction,
            dev.deftchisel.rule.equality.ComparisonResult,
            dev.deftchisel.rule.equality.EqualsNull,
            dev.deftchisel.rule.equality.IdentityComparison,
            dev.deftchisel.rule.equality.MissingHash,
            dev.deftchisel.rule.equality.OverloadedEquals,
            dev.deftchisel.rule.equality.SelfEquals,
            dev.deftchisel.rule.equality.UnrelatedElement,
            dev.deftchisel.rule.equality.UnrelatedEquals,
            dev.deftchisel.rule.lambda.AnonymousFunction,
            dev.deftchisel.rule.idiom.BoxConstructor,
            dev.deftchisel.rule.idiom.BracketsAfterName,
            dev.deftchisel.rule.idiom.CastAfterTest,
            dev.deftchisel.rule.idiom.CharsetByName,
            dev.deftchisel.rule.idiom.ChoiceOfResults,
            dev.deftchisel.rule.idiom.ClosedByHand,
            dev.deftchisel.rule.idiom.RepeatedTypeArguments,
            dev.deftchisel.rule.idiom.EmptyBySize,
            dev.deftchisel.rule.lambda.ForwardingLambda,
            dev.deftchisel.rule.lambda.FoundByFilter,
            dev.deftchisel.rule.idiom.IndexLoop,
            dev.deftchisel.rule.idiom.JoinedLines,
            dev.deftchisel.rule.idiom.MissingOverride,
            dev.deftchisel.rule.idiom.RepeatedTarget,
            dev.deftchisel.rule.idiom.RepeatedType,
            dev.deftchisel.rule.idiom.SameCatches,
            dev.deftchisel.rule.idiom.SmallLong,
            dev.deftchisel.rule.lambda.LambdaBlock,
            dev.deftchisel.rule.lambda.LambdaParameterTypes,
            dev.deftchisel.rule.redundant.RedundantArgumentArray,
            dev.deftchisel.rule.redundant.RedundantCast,
            dev.deftchisel.rule.redundant.RedundantContinue,
            dev.deftchisel.rule.redundant.RedundantElse,
            dev.deftchisel.rule.redundant.RedundantModifier,
            dev.deftchisel.rule.redundant.RedundantNewString,
            dev.deftchisel.rule.redundant.RedundantObjectBound,
            dev.deftchisel.rule.redundant.RedundantParentheses,
            dev.deftchisel.rule.redundant.RedundantReturn,
            dev.deftchisel.rule.redundant.RedundantSemicolon,
            dev.deftchisel.rule.redundant.RedundantSuperCall,
            dev.deftchisel.rule.redundant.RedundantThis,
            dev.deftchisel.rule.redundant.RedundantValueOf,
            dev.deftchisel.rule.statement.AssignmentInCondition,
            dev.deftchisel.rule.statement.EmptyBody,
            dev.deftchisel.rule.statement.EndlessRecursion,
            dev.deftchisel.rule.statement.FallThrough,
            dev.deftchisel.rule.statement.JumpFromFinally,
            dev.deftchisel.rule.statement.LoopOnce,
            dev.deftchisel.rule.statement.MisleadingIndentation,
            dev.deftchisel.rule.statement.MisleadingSpacing,
            dev.deftchisel.rule.statement.MissingThrow,
            dev.deftchisel.rule.statement.OtherLoopVariable,
            dev.deftchisel.rule.statement.SelfAssignment,
            dev.deftchisel.rule.statement.SwallowedException,
            dev.deftchisel.rule.statement.TurnedOperator,
            dev.deftchisel.rule.style.ImportOrder,
            dev.deftchisel.rule.style.PackageFolder,
            dev.deftchisel.rule.unused.IdleSuppression,
            dev.deftchisel.rule.unused.OverwrittenValue,
            dev.deftchisel.rule.unused.RedundantImport,
            dev.deftchisel.rule.unused.UnusedBinding,
            dev.deftchisel.rule.unused.UnusedField,
            dev.deftchisel.rule.unused.UnusedImport,
            dev.deftchisel.rule.unused.UnusedLabel,
            dev.deftchisel.rule.unused.UnusedMethod,
            dev.deftchisel.rule.unused.UnusedParameter,
            dev.deftchisel.rule.unused.UnusedType,
            dev.deftchisel.rule.unused.UnusedVariable;
    provides dev.deftchisel.workspace.opening.ProjectReader with dev.deftchisel.workspace.opening.FolderReader;
}
