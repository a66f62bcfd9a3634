// Package sheet has what is printed for children and for the guide: which kinds of sheet
// there are, the tasks on them, for the class or for each child from where it stands, and how
// each lies on the page. A page is marks in mm; whoever prints or shows it draws these and
// works out nothing.
package sheet
