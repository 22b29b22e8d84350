# frozen_string_literal: true

# A manoeuvre's plan for one day, and what a test looks up in it.
module PlanHelp
  M = Fujin::Catalogue

  def plan(id, type: 'tansy-2', house: {}, stage: 'test', course: nil, height: nil, settings: {}, **day)
    day[:wind] = Fujin::Wind.parse(day[:wind]) if day[:wind]
    M.find(id).plan(
      conditions(type, **day),
      Fujin::Planning::HouseMethod.new(house),
      course_deg: course,
      height_ft: height,
      stage: stage,
      settings: settings
    )
  end

  def types_for(manoeuvre) = Fujin::Aircraft::Library.all.select { |t| manoeuvre.for?(t) }.map(&:id)
  def text_of(plan, id) = plan.cautions.find { |c| c.id == id }&.text
  def row(plan, table, name) = plan.tables.find { |t| t.id == table }.rows.find { |r| r.first == name }
end
