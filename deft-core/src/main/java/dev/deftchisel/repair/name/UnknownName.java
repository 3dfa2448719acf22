package dev.deftchisel.repair.name;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.InstanceOfTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.ImportOutline;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.PackageElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;

/** Names that nobody declares: a near one is written, a type imported, or what is missing declared. */
public final class UnknownName implements Repair {

    private static final int MOST_NEAR = 2;
    private static final int MOST_IMPORTS = 4;

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve", "cant.resolve.args", "cant.resolve.args.params", "cant.resolve.location",
                "cant.resolve.location.args", "cant.resolve.location.args.params");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Optional<TreePath> named = site.around().stream()
                .filter(path -> path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree
                        || path.getLeaf() instanceof MemberReferenceTree)
                .findFirst();
        if (named.isEmpty() || TreePaths.leadsThrough(named.get(), null, tree -> tree instanceof ImportTree)) {
            return named.map(path -> ofImport(path, site)).orElse(List.of());
        }
        Missing missing = Missing.at(named.get(), site);
        List<Fix> imports = missing.isSimple() ? imports(missing, site) : List.of();
        List<Fix> near = near(missing, site);
        List<Fix> fixes = new ArrayList<>(NamedArguments.of(named.get(), site.code()).stream().toList());
        // the name of a type that is just so is rather imported than misspelt
        fixes.addAll(missing.mayBeType() && !imports.isEmpty() ? imports : near);
        fixes.addAll(missing.mayBeType() && !imports.isEmpty() ? near : imports);
        if (near.isEmpty()) {
            fixes.addAll(casts(missing, site));
        }
        fixes.addAll(declarations(missing, site));
        return fixes;
    }

    /**
     * A name without a declaration.
     *
     * @param path    where it stands
     * @param name    itself
     * @param range   of the name alone
     * @param isCall  whether a method is called by it
     * @param isMade  whether an object is made of it
     */
    private record Missing(TreePath path, String name, Range range, boolean isCall, boolean isMade) {

        static Missing at(TreePath path, ErrorSite site) {
            String name;
            if (path.getLeaf() instanceof IdentifierTree simple) {
                name = simple.getName().toString();
            } else if (path.getLeaf() instanceof MemberSelectTree select) {
                name = select.getIdentifier().toString();
            } else {
                name = ((MemberReferenceTree) path.getLeaf()).getName().toString();
            }
            int end = site.code().range(path.getLeaf()).end();
            Tree parent = path.getParentPath().getLeaf();
            return new Missing(path, name, new Range(end - name.length(), end),
                    parent instanceof MethodInvocationTree call && call.getMethodSelect() == path.getLeaf()
                            || path.getLeaf() instanceof MemberReferenceTree,
                    parent instanceof NewClassTree made && made.getIdentifier() == path.getLeaf()
                            || parent instanceof ParameterizedTypeTree
                                    && path.getParentPath().getParentPath().getLeaf() instanceof NewClassTree);
        }

        boolean isSimple() {
            return path.getLeaf() instanceof IdentifierTree;
        }

        boolean mayBeType() {
            return !isCall && Character.isUpperCase(name.charAt(0));
        }
    }

    private static List<Fix> near(Missing missing, ErrorSite site) {
        AttributedFile code = site.code();
        List<Element> candidates;
        if (missing.path().getLeaf() instanceof MemberSelectTree select) {
            candidates = members(new TreePath(missing.path(), select.getExpression()), code);
        } else if (missing.path().getLeaf() instanceof MemberReferenceTree reference) {
            candidates = members(new TreePath(missing.path(), reference.getQualifierExpression()), code);
        } else {
            candidates = code.visible(missing.path());
        }
        List<String> names = candidates.stream().filter(element -> fits(element, missing))
                .map(element -> element.getSimpleName().toString()).toList();
        List<String> all = new ArrayList<>(Spelling.near(missing.name(), names));
        if (missing.isSimple() && missing.mayBeType()) {
            Spelling.near(missing.name(), imported(code)).stream().filter(name -> !all.contains(name))
                    .forEach(all::add);
        }
        return all.stream().limit(MOST_NEAR)
                .map(name -> Fix.of("write '" + name + "'", edits -> everywhere(missing, site)
                        .forEach(range -> edits.replace(range, name))))
                .toList();
    }

    /** Where else the file names a type by the same wrong name. */
    private static Set<Range> everywhere(Missing missing, ErrorSite site) {
        Set<Range> all = new LinkedHashSet<>(List.of(missing.range()));
        if (missing.isSimple() && missing.mayBeType()) {
            site.analysis().errors(site.code().file().path()).stream()
                    .filter(error -> error.code().contains("cant.resolve") && site.code().text(error.range())
                            .equals(missing.name()))
                    .forEach(error -> all.add(error.range()));
        }
        return all;
    }

    /** A kind of what stands before the dot that the file knows and that has the member. */
    private static List<Fix> casts(Missing missing, ErrorSite site) {
        AttributedFile code = site.code();
        if (!(missing.path().getLeaf() instanceof MemberSelectTree select)) {
            return List.of();
        }
        Optional<TypeMirror> own = code.type(new TreePath(missing.path(), select.getExpression()))
                .filter(type -> type instanceof DeclaredType);
        if (own.isEmpty()) {
            return List.of();
        }
        List<TypeElement> tested = tested(missing.path(), select.getExpression(), code);
        Stream<TypeElement> known = imported(code).stream().distinct()
                .flatMap(name -> site.analysis().typesCalled(name, code.file().path()).stream())
                .map(name -> code.elements().getTypeElement(name))
                .filter(type -> type != null && code.isKind(type.asType(), own.get())
                        && !code.isKind(own.get(), type.asType())
                        && isNear(type, code));
        return Stream.concat(tested.stream(), known).distinct()
                .filter(type -> declares(code.elements().getAllMembers(type), missing))
                // the one that the member comes from is more likely than one that only has it as well
                .sorted(Comparator.comparing((TypeElement type) -> !tested.contains(type))
                        .thenComparing(type -> !declares(type.getEnclosedElements(), missing))
                        .thenComparing(type -> !type.getKind().isInterface()))
                .limit(MOST_NEAR)
                .map(type -> Fix.of("cast '" + code.shown(code.range(select.getExpression()), 30) + "' to "
                        + type.getSimpleName(),
                        edits -> edits.replace(select.getExpression(),
                                to -> to.write("((" + edits.types().name(type) + ") ")
                                .carry(code.range(TreePaths.inner(select.getExpression()))).write(")"))))
                .toList();
    }

    /** The types of which an expression is asked in conditions around a place. */
    private static List<TypeElement> tested(TreePath place, ExpressionTree expression, AttributedFile code) {
        List<TypeElement> found = new ArrayList<>();
        String text = code.reads(TreePaths.inner(expression));
        for (TreePath at = place; at.getParentPath() != null; at = at.getParentPath()) {
            Optional<ExpressionTree> condition;
            if (at.getParentPath().getLeaf() instanceof IfTree choice) {
                condition = Optional.of(choice.getCondition());
            } else if (at.getParentPath().getLeaf() instanceof ConditionalExpressionTree choice) {
                condition = Optional.of(choice.getCondition());
            } else if (at.getParentPath().getLeaf() instanceof BinaryTree both) {
                condition = Optional.of(both.getLeftOperand());
            } else {
                condition = Optional.empty();
            }
            TreePath around = at.getParentPath();
            condition.map(tree -> code.expressions(new TreePath(around, tree))).orElse(List.of()).stream()
                    .filter(part -> part.getLeaf() instanceof InstanceOfTree test
                            && code.reads(TreePaths.inner(test.getExpression())).equals(text))
                    .flatMap(part -> code.element(new TreePath(part, ((InstanceOfTree) part.getLeaf()).getType()))
                            .stream())
                    .filter(element -> element instanceof TypeElement).map(element -> (TypeElement) element)
                    .forEach(found::add);
        }
        return found;
    }

    private static boolean declares(List<? extends Element> members, Missing missing) {
        return members.stream().anyMatch(member -> member.getSimpleName().contentEquals(missing.name())
                && fits(member, missing));
    }

    /** Whether a type is imported, or in the same package. */
    private static boolean isNear(TypeElement type, AttributedFile code) {
        String home = code.elements().getPackageOf(type).getQualifiedName().toString();
        return home.equals(code.file().header().packageName()) || home.equals("java.lang")
                || code.file().outline().imports().stream()
                .anyMatch(line -> line.name().equals(type.getQualifiedName().toString()));
    }

    private static List<Element> members(TreePath qualifier, AttributedFile code) {
        Optional<TypeElement> type = code.element(qualifier).filter(element -> element instanceof TypeElement)
                .map(element -> (TypeElement) element)
                .or(() -> code.type(qualifier).filter(known -> known instanceof DeclaredType)
                        .map(known -> (TypeElement) ((DeclaredType) known).asElement()));
        if (type.isEmpty()) {
            return code.type(qualifier).filter(known -> known.getKind() == TypeKind.TYPEVAR)
                    .map(known -> ((TypeVariable) known).getUpperBound())
                    .filter(bound -> bound instanceof DeclaredType)
                    .map(bound -> (TypeElement) ((DeclaredType) bound).asElement())
                    .map(bound -> List.<Element>copyOf(code.elements().getAllMembers(bound))).orElse(List.of());
        }
        return List.copyOf(code.elements().getAllMembers(type.get()));
    }

    /** Whether it is of the sort that is asked for, and takes as many arguments. */
    private static boolean fits(Element element, Missing missing) {
        if (!missing.isCall()) {
            return missing.isMade() ? element instanceof TypeElement
                    : element instanceof VariableElement || element instanceof TypeElement;
        }
        if (!(missing.path().getParentPath().getLeaf() instanceof MethodInvocationTree call)) {
            return element instanceof ExecutableElement;
        }
        return element instanceof ExecutableElement method && (method.isVarArgs()
                || method.getParameters().size() == call.getArguments().size());
    }

    /** The types that the file imports, and those it declares or has beside it. */
    private static List<String> imported(AttributedFile code) {
        List<String> names = new ArrayList<>();
        code.file().outline().imports().stream().filter(line -> !line.isOnDemand())
                .forEach(line -> names.add(line.simpleName()));
        code.file().outline().types().forEach(type -> names.add(type.name()));
        PackageElement home = code.elements().getPackageElement(code.file().header().packageName());
        if (home != null) {
            home.getEnclosedElements().forEach(type -> names.add(type.getSimpleName().toString()));
        }
        PackageElement lang = code.elements().getPackageElement("java.lang");
        lang.getEnclosedElements().forEach(type -> names.add(type.getSimpleName().toString()));
        return names;
    }

    private static List<Fix> imports(Missing missing, ErrorSite site) {
        if (missing.isCall()) {
            return staticImports(missing, site);
        }
        List<String> ranked = new TypeChoice(site, missing.path()).called(missing.name());
        List<Fix> fixes = new ArrayList<>(ranked.stream().limit(MOST_IMPORTS)
                .map(name -> Fix.of("import " + name, edits -> edits.types().importing(name))).toList());
        if (!ranked.isEmpty()) {
            allMissing(missing, site).ifPresent(all -> fixes.add(Math.min(1, fixes.size()), all));
            fixes.add(Fix.of("write " + ranked.get(0), edits -> edits.replace(missing.range(), ranked.get(0))));
        }
        return fixes;
    }

    /**
     * The most likely type for each name that the file does not know, as after code was put into it that came from
     * elsewhere.
     */
    private static Optional<Fix> allMissing(Missing missing, ErrorSite site) {
        Map<String, CompilerError> byName = new LinkedHashMap<>();
        site.analysis().errors(site.code().file().path()).stream()
                .filter(error -> error.code().contains("cant.resolve"))
                .forEach(error -> byName.putIfAbsent(site.code().text(error.range()), error));
        byName.keySet().removeIf(name -> !name.matches("\\p{Lu}[\\p{L}\\p{N}_$]*"));
        return byName.size() < 2 || !byName.containsKey(missing.name()) ? Optional.empty()
                : Optional.of(Fix.of("import all " + byName.size() + " types that are missing",
                        edits -> byName.forEach((name, error) ->
                        best(name, site.at(error)).ifPresent(edits.types()::importing))));
    }

    private static Optional<String> best(String name, ErrorSite site) {
        return site.around().stream().filter(path -> path.getLeaf() instanceof IdentifierTree).findFirst()
                .filter(path -> Missing.at(path, site).mayBeType())
                .flatMap(path -> new TypeChoice(site, path).called(name).stream().findFirst());
    }

    /** Static methods of types that are imported or that other files import statically. */
    private static List<Fix> staticImports(Missing missing, ErrorSite site) {
        return site.analysis().snapshot().mentioning(Set.of(missing.name())).stream()
                .flatMap(file -> file.outline().imports().stream())
                .filter(line -> line.isStatic() && !line.isOnDemand() && line.simpleName().equals(missing.name()))
                .map(ImportOutline::name)
                .distinct().sorted().limit(MOST_IMPORTS)
                .map(name -> Fix.of("import static " + name, edits -> edits.types().importingStatic(name)))
                .toList();
    }

    private static List<Fix> declarations(Missing missing, ErrorSite site) {
        Place place = new Place(site.code().file().path(), new Range(missing.range().start(), missing.range().start()));
        String name = missing.name();
        if (missing.isCall()) {
            return List.of(new Fix.Use("declare the method '" + name + "'", "declare-method", place, Answers.none()));
        }
        Fix type = new Fix.Use("declare the type '" + name + "'", "declare-type", place, Answers.none());
        Fix variable = new Fix.Use("declare the variable '" + name + "'", "declare-variable", place, Answers.none());
        return missing.isMade() || missing.mayBeType() && !name.equals(name.toUpperCase(java.util.Locale.ROOT))
                ? List.of(type, variable)
                : List.of(variable, type);
    }

    /** An import of what is not there: what it should name, or away with it. */
    private static List<Fix> ofImport(TreePath path, ErrorSite site) {
        return MissingPackage.fixes(path, site);
    }
}
