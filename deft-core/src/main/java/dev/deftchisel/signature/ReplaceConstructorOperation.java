package dev.deftchisel.signature;

import com.sun.source.tree.MethodTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.member.parameter.AddedParameter;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.NamedConstructor;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Offer;
import dev.deftchisel.operation.Operation;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Question;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.signature.declaration.FactoryMethod;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.source.Range;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.NestingKind;
import javax.lang.model.element.TypeElement;

/**
 * Has objects made by a static method with a name instead of by a constructor (the refactoring "replace constructor
 * with factory function" of the literature). Each constructor of a class can have a method of its own name.
 */
public final class ReplaceConstructorOperation implements Operation {

    /** The key of the name of the method. */
    public static final String NAME = "name";

    private static final String DEFAULT = "of";

    private static final Question NAME_QUESTION = new Question.Proposed(NAME, "the name of the method",
            List.of(DEFAULT, "create"));

    @Override
    public String id() {
        return "replace-constructor";
    }

    @Override
    public String summary() {
        return "Make objects by a static method with a name instead of by a constructor";
    }

    @Override
    public List<Question> questions() {
        return List.of(NAME_QUESTION);
    }

    @Override
    public Optional<Offer> offer(ResolvedPlace resolved) {
        return symbol(resolved).map(symbol -> new Offer(id(), "make objects by a static method instead of "
                + symbol.signature(), Offer.Kind.REFACTORING, resolved.place().selection(), questions()));
    }

    private static Optional<Symbol> symbol(ResolvedPlace resolved) {
        return NamedConstructor.at(resolved.analysis(), resolved.file(), resolved.place().caret())
                .or(resolved::symbol)
                .filter(symbol -> symbol.kind() == SymbolKind.CONSTRUCTOR && symbol.isSource());
    }

    @Override
    public Plan plan(ResolvedPlace resolved, Answers answers, Analyst analyst) {
        Optional<Symbol> symbol = symbol(resolved);
        Optional<SourceFile> home = symbol.flatMap(found -> analyst.declaring(found.key()));
        if (home.isEmpty()) {
            return Plan.refused(resolved, "there is no constructor here that the workspace declares");
        }
        String name = answers.single(NAME).filter(said -> !said.isBlank()).orElse(DEFAULT);
        Optional<String> wrong = new NewName(name, SymbolKind.METHOD, home.get().module().level()).objection();
        if (wrong.isPresent()) {
            return Plan.refused(wrong.get());
        }
        SymbolKey key = symbol.get().key();
        Optional<DeclaredHeader> header = DeclaredHeader.of(analyst.analyse(Focus.declarations(List.of(home.get()
                .path()))), key);
        Optional<String> objection = header.isEmpty() ? Optional.of("nobody wrote this constructor; write it first")
                : objection(header.get());
        if (objection.isPresent()) {
            return Plan.refused(resolved, objection.get());
        }
        Range whole = header.get().code().range(header.get().path().getLeaf());
        Analysis before = analyst.analyse(AddedParameter.focus(analyst, header.get().element(), List.of(home.get()
                .path()), Set.of(name), Map.of(home.get().path(), List.of(whole))));
        return new FactoryMethod(before, DeclaredHeader.of(before, key).orElseThrow(), name).plan();
    }

    private static Optional<String> objection(DeclaredHeader header) {
        TypeElement type = (TypeElement) header.element().getEnclosingElement();
        boolean isInner = type.getNestingKind() != NestingKind.TOP_LEVEL && !type.getModifiers()
                .contains(Modifier.STATIC);
        return !(header.path().getLeaf() instanceof MethodTree) ? Optional.of("the record makes this constructor by "
                + "itself; write it first")
                : type.getKind() == ElementKind.ENUM ? Optional.of("the constants of an enum are made by nobody else")
                : type.getModifiers().contains(Modifier.ABSTRACT) ? Optional.of("the class is abstract, so nobody "
                        + "makes an object of it")
                : isInner ? Optional.of("an object of an inner class needs one around; make the class static first")
                : header.header().head().typeParameters().isPresent() ? Optional.of("the constructor has type "
                        + "parameters of its own")
                : Optional.empty();
    }
}
