# frozen_string_literal: true

# What Que's worker process loads: the jobs and their database.
require_relative 'boot'
require 'active_support/core_ext/digest/uuid'
Fujin::Database.connect
