package dev.deftchisel.inline.call;

import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Occurrence;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.Negation;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.rewrite.Precedence;
import dev.deftchisel.rewrite.Transplant;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.rewrite.ValueWriter;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.TypeMirror;

/** Writes pieces of what a method does so that they mean the same in the place of one of its calls. */
final class BodyWriter {

    private final Analysis analysis;
    private final CallSite site;
    private final AttributedFile code;
    private final Callee callee;
    private final TypeWriter writer;
    private final Layout layout;
    private final Map<VariableElement, String> renamed = new HashMap<>();
    private final Optional<ResultVariableMerge> merged;
    private final CallTypeArguments arguments;
    private boolean isWritten = true;

    /**
     * @param writer of types in the file of the call
     * @param taken  names of the member around the call; those that are given here are added
     */
    BodyWriter(Analysis analysis, CallSite site, Optional<ResultVariableMerge> merged, TypeWriter writer,
            Set<String> taken) {
        this.analysis = analysis;
        this.site = site;
        this.code = site.code();
        this.callee = site.callee();
        this.writer = writer;
        this.layout = Layout.of(code.file());
        this.merged = merged;
        this.arguments = site.typeArguments();
        rename(taken);
    }

    /** Variables of the body whose names are taken where they come to stand get others. */
    private void rename(Set<String> taken) {
        List<VariableElement> declared = new ArrayList<>();
        site.variables().stream().flatMap(one -> one.name().stream())
                .forEach(name -> callee.element().getParameters().stream()
                        .filter(parameter -> parameter.getSimpleName().contentEquals(name)).forEach(declared::add));
        callee.code().occurrences(callee.body()).stream()
                .filter(one -> one.access() == Occurrence.Access.DECLARED)
                .forEach(one -> declared.add(one.variable()));
        merged.ifPresent(same -> declared.remove(same.inner()));
        for (VariableElement variable : declared) {
            String name = variable.getSimpleName().toString();
            String free = NewName.free(taken, name);
            taken.add(free);
            if (!free.equals(name)) {
                renamed.put(variable, free);
            }
        }
    }

    /** Whether all types could be written so far. */
    boolean isWritten() {
        return isWritten;
    }

    /** Where a variable of the code of the call has its name. */
    Range declaredName(TreePath variable) {
        return analysis.declaration(code.key(code.element(variable).orElseThrow())).orElseThrow().range();
    }

    void declare(NewCode text, ArgumentBinding one, String newLine) {
        type(text, one.declared());
        one.name().ifPresentOrElse(name -> name(text, name), () -> text.write(objectName()));
        text.write(one.isPacked() ? " = {" : " = ");
        values(text, one, newLine.substring(layout.lineEnd().length()));
        text.write(one.isPacked() ? "};" : ";");
    }

    private void values(NewCode text, ArgumentBinding one, String indent) {
        if (!one.values().isEmpty()) {
            Range range = one.range(code);
            text.from(code.file()).carry(range, Layout.indentOf(code.file(), range.start()), indent);
        }
    }

    private void name(NewCode text, String name) {
        VariableElement parameter = callee.element().getParameters().stream()
                .filter(one -> one.getSimpleName().contentEquals(name)).findFirst().orElseThrow();
        String other = renamed.get(parameter);
        Optional<Range> declared = analysis.declaration(callee.code().key(parameter)).map(binding -> binding.range());
        if (other == null && declared.isPresent()) {
            text.from(callee.code().file()).carry(declared.get());
        } else {
            text.write(other == null ? name : other);
        }
    }

    String objectName() {
        String name = callee.owner().getSimpleName().toString();
        return NewName.free(code.tokens().names(), Character.toLowerCase(name.charAt(0)) + name.substring(1));
    }

    /** The statements with the comments before, between and on the line after them. */
    Range range(List<TreePath> statements) {
        return new Range(lead(statements.get(0)).start(), Layout.after(callee.code().file(),
                callee.code().range(statements.get(statements.size() - 1).getLeaf()).end()));
    }

    /** The comments directly before a statement; nothing where there are none. */
    Range lead(TreePath statement) {
        Tokens tokens = callee.code().tokens();
        int start = callee.code().range(statement.getLeaf()).start();
        Range lead = new Range(start, start);
        for (int i = tokens.at(start) - 1; i >= 0 && tokens.kind(i).isTrivia(); i--) {
            boolean isBehindCode = tokens.kind(i).isComment() && isBehindCode(i);
            lead = tokens.kind(i).isComment() && !isBehindCode
                    ? new Range(tokens.start(i), lead.length() == 0 ? tokens.end(i) : lead.end()) : lead;
        }
        return lead;
    }

    /** Whether a comment stands on the line of other code, and belongs to that. */
    private boolean isBehindCode(int comment) {
        Tokens tokens = callee.code().tokens();
        int before = comment - 1;
        while (before > 0 && tokens.kind(before).isTrivia() && tokens.text(before).lines().count() < 2
                && !tokens.text(before).endsWith("\n")) {
            before--;
        }
        return before > 0 && !tokens.kind(before).isTrivia();
    }

    /** Code of the body, with what is passed to it, and all names so that they mean the same. */
    NewCode carry(NewCode text, List<TreePath> parts, Range range, String newLine) {
        return carry(text, parts, range, newLine.substring(layout.lineEnd().length()), new TreeMap<>());
    }

    NewCode carry(NewCode text, List<TreePath> parts, Range range, String indent,
            SortedMap<Range, Consumer<NewCode>> more) {
        SortedMap<Range, Consumer<NewCode>> instead = new TreeMap<>(
                new Transplant(callee.code(), code, site.path(), writer, this::object)
                .names(parts, site.object().isPresent()));
        for (TreePath part : parts) {
            callee.code().occurrences(part).forEach(one -> occurrence(one, instead));
        }
        parts.forEach(part -> typeParameters(part, instead));
        instead.putAll(more);
        List<Range> all = List.copyOf(instead.keySet());
        // what goes with a cast need not be written otherwise
        instead.keySet().removeIf(key -> !range.encloses(key)
                || all.stream().anyMatch(other -> other.start() < key.start()
                        && (key.length() == 0 ? key.end() < other.end() : key.end() <= other.end())));
        text.from(callee.code().file()).carry(range, Layout.indentOf(callee.code().file(), range.start()), indent,
                instead);
        return text;
    }

    /** A type parameter is written as what it stands for in the call; a cast to what the value is then anyway goes. */
    private void typeParameters(TreePath part, SortedMap<Range, Consumer<NewCode>> instead) {
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitIdentifier(IdentifierTree tree, Void unused) {
                Optional<Element> parameter = callee.code().element(getCurrentPath())
                        .filter(element -> element.getKind() == ElementKind.TYPE_PARAMETER);
                parameter.flatMap(arguments::of).ifPresent(type -> callee.code().find(tree).ifPresent(range ->
                        instead.put(range, text -> typeArgument(text, type))));
                return null;
            }

            @Override
            public Void visitTypeCast(TypeCastTree tree, Void unused) {
                if (isUselessCast(getCurrentPath())) {
                    instead.put(new Range(callee.code().range(tree).start(), callee.code().range(tree.getExpression())
                            .start()), text ->
                            { });
                }
                return super.visitTypeCast(tree, null);
            }
        }.scan(part, null);
    }

    /** Whether a cast to a type parameter is one to what the value is in the call anyway. */
    private boolean isUselessCast(TreePath path) {
        Optional<TypeMirror> wanted = callee.code().type(path);
        return path.getLeaf() instanceof TypeCastTree cast && typeOf(new TreePath(path, cast.getExpression()))
                .filter(own -> wanted.isPresent() && !callee.code().types().isSameType(wanted.get(), own)
                        && arguments.areSame(wanted.get(), own, code.types())).isPresent();
    }

    /** The type that an operand of the body has where it is written; {@code this} becomes the object of the call. */
    private Optional<TypeMirror> typeOf(TreePath operand) {
        Optional<ArgumentBinding> object = site.object().filter(one -> operand.getLeaf() instanceof IdentifierTree name
                && name.getName().contentEquals("this"));
        return object.isEmpty() ? callee.code().type(operand)
                : object.flatMap(one -> site.way(one) == ArgumentBinding.ArgumentStrategy.VARIABLE
                        ? Optional.of(one.declared()) : code.type(one.value()));
    }

    private void typeArgument(NewCode text, TypeMirror type) {
        Optional<String> written = writer.write(type);
        isWritten &= written.filter(name -> !name.contains("?")).isPresent();
        text.write(written.orElse(""));
    }

    private void occurrence(Occurrence one, SortedMap<Range, Consumer<NewCode>> instead) {
        String other = renamed.get(one.variable());
        if (merged.filter(same -> same.inner().equals(one.variable())).isPresent()) {
            boolean isDeclared = one.access() == Occurrence.Access.DECLARED;
            nameRange(one).ifPresent(range -> instead.put(
                    isDeclared && merged.get().isAssigned() ? new Range(one.offset(), range.end()) : range,
                    text -> text.from(code.file()).carry(
                            isDeclared && !merged.get().isAssigned() ? merged.get().name() : merged.get().used())));
            return;
        } else if (other != null) {
            nameRange(one).ifPresent(range -> instead.put(range, text -> text.write(other)));
            return;
        }
        site.passed().stream()
                .filter(argument -> argument.name().filter(name -> one.variable().getSimpleName().contentEquals(name)
                        && callee.element().getParameters().contains(one.variable())).isPresent())
                .filter(argument -> site.way(argument) == ArgumentBinding.ArgumentStrategy.WRITTEN)
                .forEach(argument -> {
                    Optional<TreePath> cast = uselessCast(argument, one.path());
                    TreePath place = cast.orElse(one.path());
                    instead.put(callee.code().range(place.getLeaf()),
                            text -> argument(text, argument, place, cast.isPresent()));
                });
    }

    /** The cast around a use that turns what is passed into the type that it has anyway. */
    private Optional<TreePath> uselessCast(ArgumentBinding argument, TreePath use) {
        TreePath around = use.getParentPath();
        boolean isCast = around.getLeaf() instanceof TypeCastTree && argument.isName();
        Optional<TypeMirror> wanted = isCast ? callee.code().type(around) : Optional.empty();
        return wanted.flatMap(type -> code.type(argument.value())
                .filter(own -> arguments.areSame(type, own, code.types()))).map(type -> around);
    }

    private Optional<Range> nameRange(Occurrence one) {
        return one.access() == Occurrence.Access.DECLARED
                ? analysis.declaration(callee.code().key(one.variable())).map(binding -> binding.range())
                : Optional.of(callee.code().range(one.path().getLeaf()));
    }

    private void argument(NewCode text, ArgumentBinding argument, TreePath use, boolean isOfRightType) {
        if (argument.isPacked()) {
            boolean isSpread = argument.values().size() > 1 && isRest(use, argument);
            Optional<String> type = isSpread ? Optional.of("") : writer.write(argument.declared());
            isWritten &= type.isPresent();
            text.write(isSpread ? "" : "new " + type.orElse("") + " {");
            values(text, argument, "");
            text.write(isSpread ? "" : "}");
            return;
        }
        Range range = code.range(argument.tree());
        NewCode caller = text.from(code.file());
        Optional<TypeMirror> own = isOfRightType ? code.type(argument.value()) : Optional.empty();
        ValueWriter written = own.map(type -> new ValueWriter(code, argument.value(), type, writer))
                .orElseGet(() -> new ValueWriter(code, argument.value(), argument.declared(), argument.formal(),
                        writer));
        isWritten &= written.write(caller, callee.code(), use,
                (to, instead) -> to.carry(range, "", "", instead));
    }

    /** Whether a use stands where any number of arguments may stand, so that there need be no array. */
    private boolean isRest(TreePath use, ArgumentBinding argument) {
        return use.getParentPath().getLeaf() instanceof MethodInvocationTree call
                && callee.code().element(use.getParentPath()).orElse(null) instanceof ExecutableElement called
                && called.isVarArgs()
                && call.getArguments().size() == called.getParameters().size()
                && call.getArguments().get(call.getArguments().size() - 1) == use.getLeaf()
                && code.types().isSameType(called.getParameters().get(called.getParameters().size() - 1)
                        .asType(), argument.formal());
    }

    private void object(NewCode text) {
        ArgumentBinding object = site.object().orElseThrow();
        if (site.way(object) == ArgumentBinding.ArgumentStrategy.VARIABLE) {
            text.write(objectName());
            return;
        }
        boolean isGrouped = Precedence.needsParenthesesBeforeDot(object.tree());
        text.write(isGrouped ? "(" : "");
        text.from(code.file()).carry(code.range(object.tree()));
        text.write(isGrouped ? ")" : "");
    }

    Negation negation() {
        return new Negation(callee.code(),
                (to, range) -> carry(to, List.of(callee.body()), range, callIndent(), new TreeMap<>()),
                path -> written(path).filter(one -> !one.isName()).isPresent());
    }

    /** What is written in place of a name of the body. */
    private Optional<ArgumentBinding> written(TreePath use) {
        return site.passed().stream()
                .filter(one -> site.way(one) == ArgumentBinding.ArgumentStrategy.WRITTEN
                        && one.uses().stream().anyMatch(path -> path.getLeaf() == use.getLeaf()))
                .findFirst();
    }

    String callIndent() {
        return Layout.indentOf(code.file(), site.range().start());
    }

    /** Writes a type; one that has no name makes all of it useless. */
    NewCode type(NewCode text, TypeMirror type) {
        Optional<String> written = writer.write(type);
        isWritten &= written.isPresent();
        return text.write(written.orElse("") + " ");
    }

    /**
     * Writes what the body returns in the place of an expression.
     *
     * @param handedBack by the body
     * @param call       the place
     */
    void result(NewCode text, TreePath handedBack, TreePath call) {
        boolean isObject = isUselessCast(handedBack) && site.object().isPresent()
                && ((TypeCastTree) handedBack.getLeaf()).getExpression() instanceof IdentifierTree name
                && name.getName()
                .contentEquals("this");
        if (isObject) {
            object(text);
            return;
        }
        TreePath result = isUselessCast(handedBack)
                ? new TreePath(handedBack, ((TypeCastTree) handedBack.getLeaf()).getExpression())
                : handedBack;
        Range range = callee.code().range(result.getLeaf());
        isWritten &= new ValueWriter(callee.code(), result, site.result(), callee.element().getReturnType(), writer)
                .write(text, code, call,
                (to, instead) -> carry(to, List.of(result), range, callIndent(), instead));
    }
}
